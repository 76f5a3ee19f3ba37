import type { Page } from "@playwright/test";
import { barriersOn, colourBarriersOn } from "./barriers";
import { addEvents, cleaveRead, expect, lineOf, MEASURE, startEnd, THREADED, test, WEDGE } from "./server";

const onPhone = () => test.info().project.name === "phone";

const LONG =
  "The very long name of a feeder that goes from the correlator hall past the weather hut to the last pad on the moor";

const POLE = { cable: "loose-tube-36-mid-span", procedure: "entry-pedestal-through", core: "9/125" };

/** A piece opened at a station, the closure it is joined in, and the bench before a fibre is cut there. */
async function closureViews(
  request: Parameters<typeof startEnd>[0],
  job: string,
  like: object,
): Promise<string[]> {
  const post = async (path: string, data: unknown) => (await request.post(`/api/v1${path}`, { data })).json();
  const at = "c1b7d8e4-0d5e-4d55-8f0e-5b9f1e7a3c02";
  const parted = [{ fibre: 7, at: "middle" }];
  const station = { id: at, place: LONG, along: 100_000, procedure: POLE.procedure, parted };
  const plan = { ...like, cable: "loose-tube-36", stations: [station] };
  const [piece] = (await post(`/jobs/${job}`, { pieces: [{ plan }] })).pieces;
  const comes = { id: at, cable: plan.cable, role: "through", through: true };
  const closed = {
    name: LONG,
    entry: "entry-pedestal",
    cables: [{ ...comes, joins: { piece: piece.id, side: at } }],
  };
  const closure = (await post(`/jobs/${job}/closures`, { plan: closed })).id;
  const end = (await post(`/pieces/${piece.id}/ends`, { side: at, addresses: [[]] })).id;
  const events = [
    { kind: "thread", part: "halves", on: true },
    { kind: "step", to: lineOf("before-cut", POLE) },
  ] as const;
  await addEvents(request, end, events, 99);
  return [`/jobs/${job}/${piece.id}`, `/jobs/${job}/closures/${closure}`, `/bench/${end}`];
}

async function views(request: Parameters<typeof startEnd>[0]): Promise<string[]> {
  const gate = await startEnd(request);
  const measure = await startEnd(request);
  const look = await startEnd(request);
  const done = await startEnd(request);
  await addEvents(request, measure, [
    { kind: "label", job: LONG, label: LONG },
    ...THREADED,
    { kind: "step", to: MEASURE },
  ]);
  const short = await startEnd(request);
  await addEvents(request, short, [
    { kind: "label", job: LONG, label: LONG },
    ...THREADED,
    { kind: "step", to: MEASURE },
    cleaveRead(8_100),
    { kind: "spare", length: 400_000 },
  ]);
  const cleave = await startEnd(request);
  await addEvents(request, cleave, [...THREADED, { kind: "step", to: lineOf("cleave") }]);
  const begun = await request.post("/api/v1/batches", { data: { ...WEDGE, count: 12, job: LONG } });
  const batch = (await begun.json()).id;
  const { ends } = await (await request.get(`/api/v1/batches/${batch}`)).json();
  await addEvents(request, look, [...THREADED, { kind: "step", to: lineOf("bend") }]);
  await addEvents(request, done, [
    { kind: "label", job: LONG, label: "Unbrokenwordofamostextraordinarylengthindeed".repeat(2) },
    ...THREADED,
    { kind: "sign", name: "Teo Marsh", outcome: "kept" },
  ]);
  const job = (await (await request.post("/api/v1/jobs", { data: { name: LONG } })).json()).id;
  const side = { place: LONG, procedure: null, ends: 0, entry: 500, squaring: 50, grip: 0, retries: 0 };
  const plan = {
    name: LONG,
    cable: "armoured-ribbon-96",
    core: "9/125",
    sides: { A: { ...side, procedure: "central-tube-ribbon", ends: 1, retries: 1 }, B: side },
    route: [
      { kind: "duct", name: LONG, length: 212_000, allowancePct: 2 },
      { kind: "span", name: "", length: 41_000, allowancePct: 0, sag: 600 },
    ],
    loops: [{ name: LONG, after: 1, turns: 3, perimeter: 2_100 }],
    yield: { p: 0.94 },
    risk: 0.01,
    roundUpTo: 500,
  };
  const broken = { ...side, procedure: "breakout-kit-12", ends: 12, onto: { procedure: "fusion-splice-on" } };
  const many = { ...plan, cable: "loose-tube-144", sides: { A: broken, B: broken } };
  const twin = { ...side, procedure: "stub-two-fibre", ends: 1 };
  const pair = { ...plan, cable: "pair-900", sides: { A: twin, B: twin } };
  const added = await request.post(`/api/v1/jobs/${job}`, {
    data: { pieces: [{ plan }, { plan: many }, { plan: pair }] },
  });
  const [piece, large, two] = (await added.json()).pieces;
  const joined = await closureViews(request, job, { ...plan, sides: { A: side, B: side } });
  const place = { side: "A", addresses: [[]] };
  const placed = (await (await request.post(`/api/v1/pieces/${two.id}/ends`, { data: place })).json()).id;
  return [
    "/jobs",
    `/jobs/${job}`,
    `/jobs/${job}/${piece.id}`,
    `/jobs/${job}/${large.id}`,
    `/bench/${placed}`,
    ...joined,
    "/",
    "/?cable=simplex-3.0",
    "/?cable=simplex-3.0&style=stub-wedge-release-cord",
    "/?cable=duplex-3.0&style=adhesive-polish-duplex",
    "/?cable=duplex-3.0&style=stub-wedge-release-cord",
    "/bench",
    `/bench/${gate}`,
    `/bench/${measure}`,
    `/bench/${look}`,
    `/bench/${short}`,
    `/ledger/${short}`,
    "/ledger/aim",
    `/bench/${done}`,
    "/ledger",
    "/ledger?result=unsure",
    `/ledger/${done}`,
    "/setup",
    "/entry",
    "/entry/entry-dome-gel?c=armoured-ribbon-96~through~t~&c=loose-tube-36~branch~~&c=flat-drop~drop~~&c=flat-drop~drop~~",
    "/shelf",
    "/shelf/new",
    "/shelf/procedures/stub-wedge-release-cord",
    "/shelf/procedures/stub-wedge-release-cord/edit",
    "/shelf/entries/entry-dome-gel",
    "/shelf/entries/entry-dome-gel/edit",
    "/shelf/cables/central-tube-ribbon-96",
    "/shelf/cables/central-tube-ribbon-96/edit",
    `/bench/batch/${batch}`,
    `/bench/batch/${batch}?end=${ends[0].id}`,
    `/bench/${cleave}`,
    "/nowhere",
  ];
}

// The long walks are shared out among the workers.
test.describe.configure({ mode: "parallel" });

/** What marks a text whose colours stand on their ground for the first time. */
const FRESH = "data-fresh-colours";

/**
 * Which colour classes stand on which on a page: each text's own or inherited one, with the ground's below it. Two places
 * with the same pair have the same colours in every look; those with a pair not among those known are marked.
 */
const markFresh = (page: Page, known: readonly string[]): Promise<string[]> =>
  page.evaluate(
    ({ known, FRESH }) => {
      const nearest = (from: Element, kind: RegExp): string => {
        for (let one: Element | null = from; one; one = one.parentElement) {
          const found = [...one.classList].filter((name) => kind.test(name));
          if (found.length > 0) return found.join(" ");
        }
        return "";
      };
      const texts = [...document.querySelectorAll("body *")].filter(
        (one) =>
          one.checkVisibility() &&
          !one.closest('svg[aria-hidden="true"]') &&
          [...one.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent?.trim()),
      );
      const fresh = texts.flatMap((one) => {
        const pair = [
          one.tagName,
          nearest(one, /^(aria-\S+:|data-\S+:|hover:|disabled:)?(text-|fill-|representative|placeholder:)/),
          nearest(one, /^(aria-\S+:|data-\S+:)?bg-/),
          (one as HTMLElement).style.cssText,
          one.closest("[disabled]") ? "disabled" : "",
        ].join(" | ");
        if (known.includes(pair)) return [];
        one.setAttribute(FRESH, "");
        return [pair];
      });
      return [...new Set(fresh)];
    },
    { known, FRESH },
  );

const SHARES = [0, 1, 2, 3];
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
for (const share of SHARES)
  test(`no view has a barrier that axe can find, in any look: every fourth from ${share + 1}`, async ({
    page,
    request,
    server,
  }) => {
    test.skip(onPhone(), "it takes both sizes of a page once it is there");
    test.setTimeout(300_000);
    await page.context().addCookies([
      {
        name: "arlent-prefs",
        value: encodeURIComponent(JSON.stringify({ theme: "paper" })),
        url: server.url,
      },
    ]);
    const all = await views(request);
    const seen = new Set<string>();
    for (const address of all.filter((_, i) => i % SHARES.length === share)) {
      await page.goto(address);
      await expect(page.locator("h1, h2").first()).toBeAttached();
      const fresh = await markFresh(page, [...seen]);
      for (const pair of fresh) seen.add(pair);
      // The same page on a phone; its colours are the same there, and where the same ones stood on the same ground before.
      await page.setViewportSize(PHONE);
      expect(await barriersOn(page), `${address} on a phone`).toEqual([]);
      await page.setViewportSize(DESK);
      for (const theme of fresh.length === 0 ? ["paper"] : ["paper", "night", "sun"]) {
        await page.locator("html").evaluate((root, look) => root.setAttribute("data-theme", look), theme);
        // A look changes nothing but the colours: every rule holds in one of them, those of colour in each.
        const found = await (theme === "paper" ? barriersOn(page) : colourBarriersOn(page, `[${FRESH}]`));
        expect(found, `${address} in ${theme}`).toEqual([]);
      }
      await page.locator("html").evaluate((root) => root.setAttribute("data-theme", "paper"));
    }
  });

test("a page with barriers has them found: of any kind, and of colours under a selector", async ({
  page,
}) => {
  test.skip(onPhone(), "the same on a phone");
  await page.setContent(
    `<main><h1>Pad 4</h1><img src="x"><p ${FRESH} style="color:#ccc;background:#fff">Faint</p></main>`,
  );
  expect((await barriersOn(page)).map((said) => said.split(" ")[0])).toContain("image-alt");
  expect(await colourBarriersOn(page, `[${FRESH}]`)).toEqual(["color-contrast p"]);
  expect(await colourBarriersOn(page, "h1")).toEqual([]);
});

test("the look chosen is the first thing drawn", async ({ page, server }) => {
  test.skip(onPhone(), "the same on a phone");
  for (const theme of ["paper", "night", "sun"]) {
    await page
      .context()
      .addCookies([
        { name: "arlent-prefs", value: encodeURIComponent(JSON.stringify({ theme })), url: server.url },
      ]);
    await page.goto("/setup");
    await expect(page.locator("html")).toHaveAttribute("data-theme", theme);
  }
});

/** The step, its figure or field, its question and the way on can all be brought into view, and nothing covers them. */
async function reachable(page: Page, where: string): Promise<void> {
  const wanted = page.locator("#step, #reading, .figure-huge, main fieldset button, [role=checkbox]");
  for (const one of [...(await wanted.all()), page.getByRole("button", { name: /^(Next|Finish)/ })]) {
    if (!(await one.isVisible())) continue;
    await one.scrollIntoViewIfNeeded();
    const covered = await one.evaluate((element) => {
      const { left, top, width, height } = element.getBoundingClientRect();
      const at = document.elementFromPoint(left + width / 2, top + Math.min(height / 2, 20));
      return at !== null && !element.contains(at) && !at.contains(element) ? at.outerHTML.slice(0, 80) : null;
    });
    expect(covered, `${where}: ${(await one.textContent())?.slice(0, 30)}`).toBeNull();
  }
}

test("nothing runs off the side or out of reach, down to 360 pixels, on its side and at twice the size, with long names", async ({
  page,
  request,
}) => {
  test.skip(onPhone(), "it sets its own widths");
  test.setTimeout(300_000);
  for (const address of await views(request)) {
    await page.setViewportSize({ width: 360, height: 780 });
    await page.goto(address);
    await expect(page.locator("h1, h2").first()).toBeAttached();
    for (const [width, height] of [
      [360, 640],
      [640, 400],
      [844, 390],
      [800, 780],
    ] as const) {
      await page.setViewportSize({ width, height });
      expect(
        await page.evaluate(() =>
          [document.documentElement, ...document.querySelectorAll("main")].map(
            (one) => one.scrollWidth - one.clientWidth,
          ),
        ),
        `${address} at ${width}`,
      ).toEqual([0, 0]);
      if (await page.locator("#step").isVisible()) await reachable(page, `${address} at ${width}`);
    }
  }
});

test("the open picker and the sign-off have no barrier either", async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("shards") }]);
  await page.goto("/");
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
  await expect(page.getByRole("button", { name: "Not now: begin unchecked" })).toBeVisible();
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

test("a question mark lists the keys, and Escape puts the list away", async ({ page }) => {
  test.skip(onPhone(), "the same on a phone");
  await page.goto("/setup");
  const list = page.getByRole("dialog", { name: "Keys" });
  await page.keyboard.press("?");
  await expect(list).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect(list).toBeHidden();
});

test("the band reads as a list of lengths", async ({ page }) => {
  test.skip(onPhone(), "the same on a phone");
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await expect(
    page
      .getByRole("list", { name: "Lengths on the cable" })
      .getByRole("listitem")
      .filter({ hasText: "second mark" }),
  ).toHaveText("second mark: 48.5 mm (1 29/32 in) from the cable end");
});

test("a ledger of many ends goes on page by page", async ({ page, request }) => {
  test.skip(onPhone(), "the same on a phone");
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
