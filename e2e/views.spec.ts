import { appendFileSync, existsSync, mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { shared } from "../harness/global-setup";
import { freePort, NO_PAGE, type RunningServer, startServer } from "../harness/next-server";
import { addEvents, expect, lineOf, MEASURE, startEnd, THREADED, test } from "../harness/server";
import { barriersOn, colourBarriersOn } from "./barriers";
import { everyView } from "./every-view";

// The long walks are shared out among the workers.
test.describe.configure({ mode: "parallel" });

/** What marks a text whose colours stand on their ground for the first time. */
const FRESH = "data-fresh-colours";

const LOOKS = ["paper", "night", "sun"] as const;

/**
 * In which colours each text of a page stands, in every look: its own, all that is laid below it down to the first ground
 * that lets nothing through, whether it is large, and of a link what it stands among. Two texts that agree in all of this
 * are read alike, wherever they stand. Those unlike any among the known are marked, and those laid over the page or drawn,
 * below which anything may lie. The page is left in the first look.
 * @returns how the marked ones stand that are unlike the known, and how many are marked.
 */
const markFresh = (page: Page, existing: readonly string[]): Promise<{ fresh: string[]; marked: number }> =>
  page.evaluate(
    ({ known: existing, FRESH, LOOKS }) => {
      const root = document.documentElement;
      const texts = [...document.querySelectorAll("body *")].filter(
        (element) =>
          element.checkVisibility() &&
          !element.closest('svg[aria-hidden="true"]') &&
          [...element.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent?.trim()),
      );
      const inLook = (look: string): string[] => {
        root.setAttribute("data-theme", look);
        const grounds = new Map<Element | null, string>([[null, ""]]);
        const groundOf = (element: Element | null): string => {
          const before = grounds.get(element);
          if (before !== undefined || element === null) return before ?? "";
          const { backgroundColor, backgroundImage, opacity } = getComputedStyle(element);
          const own = [backgroundColor, backgroundImage, opacity].join(" ");
          const through =
            opacity !== "1" || !/^rgb\(|^(oklch|oklab|lab|color)\([^/]*\)$/.test(backgroundColor);
          const ground = own === "rgba(0, 0, 0, 0) none 1" ? "" : own;
          const all = through ? `${ground} ${groundOf(element.parentElement)}`.trim() : ground;
          grounds.set(element, all);
          return all;
        };
        return texts.map((text) => {
          const { color, fill, fontSize, fontWeight, textDecorationLine } = getComputedStyle(text);
          const among = text.closest("a")?.parentElement;
          const link = among ? [textDecorationLine, getComputedStyle(among).color] : [];
          const drawn = text instanceof SVGElement ? [fill] : [];
          // Source: WCAG 2.2, “large scale”: 18 points, or 14 and bold.
          const large = Number.parseFloat(fontSize) >= (Number(fontWeight) >= 700 ? 18.66 : 24);
          return [color, ...drawn, large ? "large" : "", groundOf(text), ...link].join(" ");
        });
      };
      /** Whether it is laid over what comes before it, on no ground of its own. */
      const isLaidOver = (text: Element): boolean => {
        if (text instanceof SVGElement) return true;
        for (let at: Element | null = text; at; at = at.parentElement) {
          const { position, backgroundColor } = getComputedStyle(at);
          if (backgroundColor !== "rgba(0, 0, 0, 0)") return false;
          if (position !== "static" && position !== "relative") return true;
        }
        return false;
      };
      const looks = LOOKS.map((look) => inLook(look));
      root.setAttribute("data-theme", LOOKS[0]);
      const fresh = new Set<string>();
      let marked = 0;
      for (const [at, text] of texts.entries()) {
        const disabled = text.closest(":disabled") ? "disabled" : "";
        const stands = [...looks.map((look) => look[at]), disabled].join(" | ");
        if (!existing.includes(stands)) fresh.add(stands);
        else if (!isLaidOver(text)) continue;
        text.setAttribute(FRESH, "");
        marked += 1;
      }
      return { fresh: [...fresh], marked };
    },
    { known: existing, FRESH, LOOKS },
  );

/** The step, its figure or field, its question and the way on can all be brought into view, and nothing covers them. */
async function reachable(page: Page, where: string): Promise<void> {
  const covered = await page.evaluate(() => {
    const wanted = [
      ...document.querySelectorAll("#step, #reading, .figure-huge, main fieldset button, [role=checkbox]"),
      ...document.querySelectorAll('button[aria-keyshortcuts~="PageDown"]'),
    ];
    return wanted.flatMap((element) => {
      if (!element.checkVisibility({ visibilityProperty: true }) || element.getClientRects().length === 0)
        return [];
      element.scrollIntoView({ block: "center", inline: "center", behavior: "instant" });
      // What of it is in view: it may be taller than what it is scrolled in.
      let { left, top, right, bottom } = element.getBoundingClientRect();
      for (let target = element.parentElement; target; target = target.parentElement) {
        if (getComputedStyle(target).overflowY === "visible") continue;
        const port = target.getBoundingClientRect();
        [left, right] = [Math.max(left, port.left), Math.min(right, port.right)];
        [top, bottom] = [Math.max(top, port.top), Math.min(bottom, port.bottom)];
      }
      const at = document.elementFromPoint((left + right) / 2, top + Math.min((bottom - top) / 2, 20));
      // Nothing at that point: it cannot be brought into view.
      if (at && (element.contains(at) || at.contains(element))) return [];
      return [`${element.textContent?.slice(0, 30)}: ${at?.outerHTML.slice(0, 80) ?? "out of view"}`];
    });
  });
  expect(covered, where).toEqual([]);
}

/** Nothing of a page runs off the side or out of reach, down to 360 pixels, on its side and at twice the size. */
async function fits(page: Page, address: string): Promise<void> {
  for (const [width, height] of [
    [360, 640],
    [640, 400],
    [844, 390],
    [800, 780],
  ] as const) {
    await page.setViewportSize({ width, height });
    await settled(page);
    const over = await page.evaluate(() =>
      [document.documentElement, ...document.querySelectorAll("main")].map(
        (element) => element.scrollWidth - element.clientWidth,
      ),
    );
    expect(over, `${address} at ${width}`).toEqual([0, 0]);
    if (await page.locator("#step").isVisible()) await reachable(page, `${address} at ${width}`);
  }
}

/** Waits until what follows the size of the page has followed it: it is reported in one frame and drawn by the next. */
const settled = (page: Page): Promise<void> =>
  page.evaluate(
    () =>
      new Promise<void>((done) =>
        requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(() => done()))),
      ),
  );

const looked = () => join(shared(), "colours");

/** The colours that texts of the views before stood in, whichever worker looked at them. */
const existing = (): readonly string[] =>
  existsSync(looked()) ? readFileSync(looked(), "utf8").trimEnd().split("\n") : [];

/**
 * A page has no barrier, on a desk and on a phone, in any look. A look changes nothing but the colours: all other rules are
 * held in one of them, those of colours in each where they stand for the first time, and in one where they are laid over
 * something.
 */
async function withoutBarriers(page: Page, address: string): Promise<void> {
  for (const [size, where] of [
    [DESK, "on a desk"],
    [PHONE, "on a phone"],
  ] as const) {
    await page.setViewportSize(size);
    await settled(page);
    expect(await barriersOn(page, { colours: false }), `${address} ${where}`).toEqual([]);
    const { fresh, marked } = await markFresh(page, existing());
    if (marked === 0) continue;
    if (fresh.length > 0) appendFileSync(looked(), `${fresh.join("\n")}\n`);
    for (const theme of fresh.length > 0 ? LOOKS : LOOKS.slice(0, 1)) {
      await page.locator("html").evaluate((root, look) => root.setAttribute("data-theme", look), theme);
      expect(await colourBarriersOn(page, `[${FRESH}]`), `${address} ${where} in ${theme}`).toEqual([]);
    }
    await page.evaluate(
      ([mark, look]) => {
        document.documentElement.setAttribute("data-theme", look);
        for (const element of document.querySelectorAll(`[${mark}]`)) element.removeAttribute(mark);
      },
      [FRESH, LOOKS[0]] as const,
    );
  }
}

/** Goes on to an address as a link of the page does: the shell stays, and so does what was read into the page. */
async function goOn(page: Page, address: string): Promise<void> {
  await page.evaluate((to) => window.next.router.push(to), address);
  await page.waitForURL(address);
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
}

declare global {
  interface Window {
    /** Where Next keeps what its own links go by. */
    readonly next: { readonly router: { readonly push: (address: string) => void } };
  }
}

const SHARES = [0, 1, 2, 3];
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** A server in the made-up language, whose texts are a third longer and accented: one for each worker. */
let longWorded: Promise<RunningServer> | null = null;

async function startLongWorded(): Promise<RunningServer> {
  const database = join(mkdtempSync(join(tmpdir(), "arlent-views-")), "end.db");
  return startServer(database, await freePort(), NO_PAGE, { ARLENT_LANGUAGE: "en-XA" });
}

test.afterAll(async () => {
  if (longWorded) await (await longWorded).kill();
});

for (const share of SHARES)
  test(`no view runs off the side or out of reach at any size, with long names in the made-up language, nor has a barrier that axe can find, in any look; what it says itself is accented: every fourth from ${share + 1}`, {
    tag: "@desk",
  }, async ({ page, playwright }) => {
    test.setTimeout(300_000);
    longWorded ??= startLongWorded();
    const { url } = await longWorded;
    const request = await playwright.request.newContext({ baseURL: url });
    const cookie = { name: "arlent-prefs", value: encodeURIComponent(JSON.stringify({ theme: "paper" })) };
    await page.context().addCookies([{ ...cookie, url }]);
    const views = await everyView(request, url);
    await request.dispose();
    await page.goto(`${url}/setup`);
    await expect(page.locator("html")).toHaveAttribute("lang", "en-XA");
    for (const address of views.filter((_, i) => i % SHARES.length === share)) {
      await page.setViewportSize({ width: 360, height: 780 });
      await goOn(page, url + address);
      await expect(page.locator("h1, h2").first()).toBeAttached();
      // What is typed by people and the library's texts are not accented.
      expect(await page.locator("body").textContent(), address).toMatch(/[áéíóúšťř]/);
      await fits(page, address);
      await withoutBarriers(page, address);
    }
  });

test("a page with barriers has them found: of any kind, and of colours under a selector", {
  tag: "@desk",
}, async ({ page }) => {
  await page.setContent(
    `<main><h1>Pad 4</h1><img src="x"><p ${FRESH} style="color:#ccc;background:#fff">Faint</p></main>`,
  );
  const kinds = async (how?: { colours: boolean }) =>
    (await barriersOn(page, how)).map((said) => said.split(" ")[0]);
  expect(await kinds()).toEqual(expect.arrayContaining(["image-alt", "color-contrast"]));
  expect(await kinds({ colours: false })).toContain("image-alt");
  expect(await kinds({ colours: false })).not.toContain("color-contrast");
  expect(await colourBarriersOn(page, `[${FRESH}]`)).toEqual(["color-contrast p"]);
  expect(await colourBarriersOn(page, "h1")).toEqual([]);
});

test("colours are looked at once where every look has them alike, and again where one has not", {
  tag: "@desk",
}, async ({ page }) => {
  await page.setContent(
    `<style>body { background: #fff } [data-theme="night"] .dim { color: #777 }</style>
     <main><h1>Pad 4</h1><p>Hut</p><p class="dim">Hall</p><p style="background: rgb(0 0 0 / 50%)">Moor</p></main>`,
  );
  const marked = () => page.locator(`[${FRESH}]`).allTextContents();
  const { fresh: first } = await markFresh(page, []);
  expect(first).toHaveLength(4);
  await page.locator("p").evaluateAll((all) => {
    for (const first of all) first.removeAttribute("data-fresh-colours");
  });
  const others = await markFresh(page, [first[1] ?? "", first[3] ?? ""]);
  expect(others).toEqual({ fresh: [first[0], first[2]], marked: 2 });
  expect(await marked()).toEqual(["Pad 4", "Hall"]);
  // What is laid over something is looked at wherever it stands.
  await page.locator("p").evaluateAll((all) => {
    for (const first of all) first.removeAttribute("data-fresh-colours");
    all[0]?.setAttribute("style", "position: absolute");
  });
  expect((await markFresh(page, first)).marked).toBe(1);
});

test("the look chosen is the first thing drawn", { tag: "@desk" }, async ({ page, server }) => {
  for (const theme of LOOKS) {
    await page
      .context()
      .addCookies([
        { name: "arlent-prefs", value: encodeURIComponent(JSON.stringify({ theme })), url: server.url },
      ]);
    await page.goto("/setup");
    await expect(page.locator("html")).toHaveAttribute("data-theme", theme);
  }
});

test("the open picker and the sign-off have no barrier either", async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("shards") }]);
  await page.goto("/");
  await page.keyboard.press("Escape");
  await page.keyboard.press("c");
  await expect(page.getByPlaceholder("Type to find: cable")).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: /Finish/ }).click();
  await expect(page.locator("#signer")).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
});

test("the screen of figures to be checked, and a shard missing at the sign-off, have no barrier either", async ({
  page,
  request,
}) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await page.getByRole("button", { name: "To the bench" }).click();
  await expect(page.getByRole("dialog", { name: "Which interface is it?" })).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.keyboard.press("2");
  await expect(page.getByRole("button", { name: "Start without checking" })).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  const end = await startEnd(request);
  await addEvents(request, end, [
    ...THREADED,
    { kind: "shards", made: 2, binned: 1 },
    { kind: "step", to: lineOf("shards") },
  ]);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: /Finish/ }).click();
  await expect(page.getByText("1 not in the bin yet.")).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
});

test("the first thing a keyboard comes to skips to the content", { tag: "@desk" }, async ({ page }) => {
  await page.goto("/shelf");
  await page.keyboard.press("Tab");
  const skip = page.getByRole("link", { name: "Skip to the content" });
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("main").locator(":focus")).toHaveCount(1);
});

test("on a phone and on a low screen the bar has what fits, all of it in view, and More has the rest", {
  tag: "@desk",
}, async ({ page }) => {
  await page.goto("/shelf");
  for (const [width, height] of [
    [390, 844],
    [844, 390],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height });
    const places = page.getByRole("navigation", { name: "Places" });
    for (const item of await places.locator("a, button").filter({ visible: true }).all())
      await expect(item).toBeInViewport({ ratio: 1 });
    await expect(places.getByRole("link", { name: "Ledger" })).toBeHidden();
    await places.getByRole("button", { name: "More" }).click();
    const more = page.getByRole("dialog", { name: "More places" });
    for (const name of ["Shelf", "Ledger", "Setup"])
      await expect(more.getByRole("link", { name })).toBeInViewport({ ratio: 1 });
    await expect(more.getByRole("link", { name: "Shelf" })).toHaveAttribute("aria-current", "page");
    expect(await barriersOn(page)).toEqual([]);
    await page.keyboard.press("Escape");
  }
});

test("on a small screen the field to read into is in view with its verdict, whatever is said against going on", {
  tag: "@desk",
}, async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: MEASURE }]);
  for (const [width, height] of [
    [390, 844],
    [844, 390],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height });
    await page.goto(`/bench/${end}`);
    const field = page.locator("#reading");
    await expect(field).toBeInViewport({ ratio: 1 });
    await field.fill("14.2");
    await expect(page.locator("#verdict strong").first()).toBeInViewport({ ratio: 1 });
    await page.keyboard.press("PageDown");
    const said = page.getByRole("alert").filter({ hasText: /^Not read/ });
    await expect(said).toBeVisible();
    await expect(field).toBeInViewport({ ratio: 1 });
    const [box, over] = [await field.boundingBox(), await said.boundingBox()];
    const apart = box && over && (over.y >= box.y + box.height - 1 || over.y + over.height <= box.y + 1);
    expect(apart, `${width} × ${height}`).toBe(true);
  }
});

test("a question mark lists the keys, and Escape puts the list away", { tag: "@desk" }, async ({ page }) => {
  await page.goto("/setup");
  const list = page.getByRole("dialog", { name: "Keys" });
  await page.keyboard.press("?");
  await expect(list).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect(list).toBeHidden();
});

test("the band reads as a list of lengths", { tag: "@desk" }, async ({ page }) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await expect(
    page
      .getByRole("list", { name: "Lengths on the cable" })
      .getByRole("listitem")
      .filter({ hasText: "second mark" }),
  ).toHaveText("second mark: 48.5 mm (1 29/32 in) from the cable end");
});

test("a ledger of many ends goes on page by page", { tag: "@desk" }, async ({ page, request }) => {
  for (let i = 0; i < 65; i++)
    await addEvents(request, await startEnd(request), [
      { kind: "sign", name: `Leafed ${i}`, outcome: "cut-off" },
    ]);
  // By their names: another test's ends lie in the same ledger.
  await page.goto("/ledger?result=cut-off&find=leafed");
  await expect(page.locator("tbody tr")).toHaveCount(60);
  await page.getByRole("link", { name: "Older" }).click();
  await expect(page.locator("tbody tr")).toHaveCount(5);
  await page.getByRole("link", { name: "Newest" }).click();
  await expect(page.locator("tbody tr")).toHaveCount(60);
});

test("a page asks the server for no other before that is followed", { tag: "@desk" }, async ({ page }) => {
  const requested: string[] = [];
  page.on("request", (request) => {
    if (request.headers().rsc) requested.push(new URL(request.url()).pathname);
  });
  await page.goto("/shelf");
  await page.getByRole("link", { name: "Stub, wedge release" }).first().hover();
  await page.waitForLoadState("networkidle");
  expect(requested).toEqual([]);
  await page.getByRole("link", { name: "Ledger", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Ledger" })).toBeVisible();
  expect(requested).toEqual(["/ledger"]);
});
