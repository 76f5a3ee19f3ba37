import type { Page } from "@playwright/test";
import { build } from "vite";

export interface Keystrokes {
  /** From the key's own time to the verdict standing in the page. */
  readonly changed: number[];
  /** From the key's own time to the end of the frame that shows it. */
  readonly painted: number[];
}

/** Where keys are typed, what they change, and what is typed, key by key. */
export interface Typing {
  readonly into: string;
  readonly changes: string;
  readonly texts: readonly string[];
}

/** Readings typed at the bench until the verdict follows. */
export const READING_KEYS: Typing = {
  into: "#reading",
  changes: "#verdict",
  texts: ["9.5", "11.2", "3/8", "9.95", "8.1", "1 1/2 in", "9.42", "10.6"],
};

/** Types key by key and times each key until what it changes has changed and been painted. */
export async function timeKeystrokes(
  page: Page,
  rounds: number,
  typing: Typing = READING_KEYS,
): Promise<Keystrokes> {
  const [log] = await inTurns([{ page, typing }], rounds);
  if (!log) throw new Error("no page was typed into");
  return log;
}

/** A page that keys are typed into. */
export interface Typed {
  readonly page: Page;
  readonly typing: Typing;
}

/**
 * The same on several pages, a round on each in turn: whatever else the machine does meanwhile falls on each alike, and what
 * they take may be shown beside one another. @returns one log a page, in their order.
 */
export async function inTurns(places: readonly Typed[], rounds: number): Promise<Keystrokes[]> {
  for (const { page, typing } of places) {
    await page.bringToFront();
    await page.waitForSelector(typing.into);
    await page.waitForTimeout(500);
    await watch(page, typing.changes, "keydown");
  }
  for (let round = 0; round < rounds; round++)
    for (const { page, typing } of places) {
      await page.bringToFront();
      await typeRound(page, typing);
    }
  return Promise.all(places.map(({ page }) => watched(page)));
}

/** Between a key and the next, the one that marks what stood there among them: none is struck into the frame of another. */
const KEY_MS = 60;

/** As a hand does: over what stood there, key by key; the next text once the page has come to rest. */
async function typeRound(page: Page, { into, texts }: Typing): Promise<void> {
  await page.waitForTimeout(150);
  for (const text of texts) {
    await page.locator(into).focus();
    await page.keyboard.press("Control+A");
    await page.waitForTimeout(KEY_MS);
    await page.keyboard.type(text, { delay: KEY_MS });
    await page.waitForTimeout(150);
  }
}

/** Logs, for each event of a kind, when something in the page has changed after it and been painted. */
function watch(page: Page, changes: string, kind: "keydown" | "pointermove" | "pointerover"): Promise<void> {
  return page.evaluate(
    ([changed, of]) => {
      const log = { changed: [] as number[], painted: [] as number[] };
      Object.assign(window, { log });
      let at = 0;
      document.addEventListener(
        of,
        (event) => {
          at = event.timeStamp;
        },
        { capture: true },
      );
      new MutationObserver(() => {
        if (at === 0) return;
        const from = at;
        at = 0;
        log.changed.push(performance.now() - from);
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => log.painted.push(performance.now() - from);
          port2.postMessage(null);
        });
      }).observe(document.querySelector(changed) as Element, {
        subtree: true,
        childList: true,
        characterData: true,
      });
    },
    [changes, kind] as const,
  );
}

const watched = (page: Page): Promise<Keystrokes> =>
  page.evaluate(() => (window as unknown as { log: Keystrokes }).log);

/** What is dragged, what it changes, and how far each step goes, pixels. */
interface Drag {
  readonly handle: string;
  readonly changes: string;
  readonly steps: number;
  readonly px?: number;
  readonly down?: number;
  /** What it is timed from: each move, or each time the hand comes over something else. */
  readonly from?: "pointermove" | "pointerover";
}

/** Drags something to and fro by so many steps and times each until what it changes has changed and been painted. */
export async function timeDrag(
  page: Page,
  { handle, changes, steps, px = 0, down = 0, from = "pointermove" }: Drag,
): Promise<Keystrokes> {
  const box = await page.locator(handle).boundingBox();
  if (!box) throw new Error(`${handle} is not in sight`);
  await page.waitForTimeout(500);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await watch(page, changes, from);
  for (let step = 1; step <= steps; step++) {
    await page.mouse.move(x + px * (step % 10), y + down * (step % 10));
    await page.waitForTimeout(60);
  }
  const log = await watched(page);
  await page.mouse.up();
  return log;
}

/** The bare page's script, bundled as the product's own pages are: production React, one file. */
export async function bareScript(): Promise<string> {
  const built = await build({
    logLevel: "silent",
    define: { "process.env.NODE_ENV": '"production"' },
    build: {
      write: false,
      minify: true,
      lib: { entry: "perf/bare-input.tsx", formats: ["iife"], name: "bare" },
    },
  });
  const [bundle] = Array.isArray(built) ? built : [built];
  if (!bundle || !("output" in bundle)) throw new Error("the bare page was not bundled");
  return bundle.output[0].code;
}
