import { mkdtempSync } from "node:fs";
import { join } from "node:path";
import { type Browser, chromium, type Page } from "@playwright/test";
import { ensureChromium } from "../scripts/setup.mjs";
import { bareScript, inTurns, type Keystrokes, READING_KEYS, type Typing } from "./keystroke";
import { line, quantile, spread } from "./measure";
import { adviceOnScreen } from "./rework";

const EDITOR_KEYS: Typing = {
  into: '[aria-label="buffer beyond the jacket: figure"]',
  // What a colleague would ask follows in a frame of its own.
  changes: "#contradictions",
  // Each key changes something on every page: where one did not, what is shown beside one another would be other keys.
  texts: ["40", "27", "35", "26"],
};

const CHROMIUM = {
  executablePath: ensureChromium(),
  args: ["--no-sandbox", "--disable-background-networking", "--disable-component-update"],
};

/** From asking for a page to its taking keys, milliseconds: on devices that were never there, and on each ever again. */
async function untilReady(folder: string, url: string): Promise<{ first: number[]; again: number[] }> {
  const [first, again]: [number[], number[]] = [[], []];
  for (let device = 0; device < 5; device++) {
    // One with a memory of its own: a private window keeps nothing that was compiled.
    const context = await chromium.launchPersistentContext(mkdtempSync(join(folder, "device-")), {
      ...CHROMIUM,
      viewport: { width: 1280, height: 800 },
    });
    const page = await context.newPage();
    for (let visit = 0; visit < 8; visit++) {
      const start = performance.now();
      await page.goto(url);
      await page.locator("html[data-ready]").waitFor({ state: "attached" });
      const times = visit === 0 ? first : again;
      // The second visit is when what was compiled is kept.
      if (visit !== 1) times.push(performance.now() - start);
    }
    await context.close();
  }
  return { first, again };
}

/** Bytes, time until keys are taken, advice and keys, as a browser sees them. */
export async function inChromium(
  folder: string,
  url: string,
  end: string,
  unread: readonly string[],
): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  const bytesOf = async (path: string): Promise<number> => {
    const context = await browser.newContext();
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send("Network.enable");
    let bytes = 0;
    session.on("Network.loadingFinished", ({ encodedDataLength }) => {
      bytes += encodedDataLength;
    });
    await page.goto(url + path, { waitUntil: "load" });
    await page.waitForTimeout(700);
    await context.close();
    return bytes;
  };
  line(
    "page bytes over the wire: sheet, all files",
    `${((await bytesOf("/?cable=simplex-3.0&style=stub-wedge-release-cord")) / 1024).toFixed(0)} kB`,
  );
  line(
    "page bytes over the wire: bench, all files",
    `${((await bytesOf(`/bench/${end}`)) / 1024).toFixed(0)} kB`,
  );
  for (const [name, path] of [
    ["sheet", "/?cable=simplex-3.0&style=stub-wedge-release-cord"],
    ["bench", `/bench/${end}`],
  ] as const) {
    const { first, again } = await untilReady(folder, url + path);
    line(
      `page until it takes keys: ${name}, visited again`,
      `${spread(again)} (a device's first visit p50 ${quantile(first, 0.5).toFixed(0)} ms)`,
    );
  }
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await adviceOnScreen(
    page,
    unread.map((id) => `${url}/bench/${id}`),
  );
  await page.close();
  await keysPainted(browser, `${url}/bench/${end}`, `${url}/shelf/procedures/stub-wedge-release-cord/edit`);
  await browser.close();
}

/** Keys at the bench and in the editor until they are painted, each beside the least a React page can do. */
async function keysPainted(browser: Browser, bench: string, editor: string): Promise<void> {
  const script = await bareScript();
  const opened = async (address: string): Promise<Page> => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(address);
    await page.locator("html[data-ready]").waitFor({ state: "attached" });
    return page;
  };
  const empty = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await empty.addScriptTag({ content: script });
  // What a key costs on a page of the editor's size, with its styles, before anything of the editor's is done.
  const there = await opened(editor);
  await there.evaluate(script);
  const reading = { ...READING_KEYS, texts: EDITOR_KEYS.texts };
  const places = [
    { page: empty, typing: reading },
    { page: await opened(bench), typing: reading },
    { page: await opened(editor), typing: EDITOR_KEYS },
    { page: there, typing: reading },
  ];
  const [bare, verdict, contradiction, large] = await inTurns(places, 12);
  if (!bare || !verdict || !contradiction || !large) throw new Error("not every page was typed into");
  const report = (name: string, { changed, painted }: Keystrokes) => {
    const ratio = (of: readonly number[], to: readonly number[]) =>
      (quantile(of, 0.5) / quantile(to, 0.5)).toFixed(2);
    line(`${name} in the page`, `${spread(changed)} (ratio of p50 ${ratio(changed, bare.changed)})`);
    line(`${name} painted`, `${spread(painted)} (ratio of p50 ${ratio(painted, bare.painted)})`);
  };
  report("bare React input, on an empty page:", bare);
  report("  the same on the editor's page:", large);
  report("key to verdict", verdict);
  report("editor key to contradiction", contradiction);
}
