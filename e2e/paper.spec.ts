import type { Page } from "@playwright/test";
import { expect, test } from "../harness/server";
import { pdfPages } from "../src/paper/fixtures/pdf-pages";

/** What is seen on paper that is pressed, typed into or picked on a screen. */
const controlsOnPaper = async (page: Page): Promise<string[]> => {
  await page.emulateMedia({ media: "print" });
  return page.evaluate(() =>
    [...document.querySelectorAll("main :is(button, input, select, textarea, [role=combobox])")]
      .filter((element) => element.checkVisibility())
      // The cable itself is pressed to be picked: on paper it is its name.
      .filter((element) => !element.hasAttribute("aria-pressed"))
      .map((element) => element.outerHTML.slice(0, 90)),
  );
};

test("a closure is printed whole: every cable's lengths, which fibres are parted, and no control", {
  tag: "@desk",
}, async ({ page }) => {
  await page.goto(
    "/entry/entry-dome-gel?c=loose-tube-36~through~t~&c=armoured-ribbon-96~branch~~&c=flat-drop~drop~~&c=flat-drop~drop~~",
  );
  expect(await controlsOnPaper(page)).toEqual([]);
  const text = (await pdfPages(await page.pdf({ format: "A4" }))).join(" ");
  for (const name of [
    "Stranded loose tube, 6 × 6, through",
    "Armoured ribbon, 8 × 12",
    "Flat drop (1), Flat drop (2)",
  ])
    expect(text).toContain(name);
  expect(text).toMatch(/Open 1580\.0 mm ?: −790\.0 and 790\.0 from the centre mark/);
  expect(text).toContain("Closing, in this order");
});

test("the cut list says what to cut from which cable, the longest first, with boxes to tick and room for the reel", {
  tag: "@desk",
}, async ({ page, request }) => {
  const { id: job } = await (
    await request.post("/api/v1/jobs", { data: { name: "Moor, to be cut" } })
  ).json();
  const side = {
    place: "",
    procedure: null,
    ends: 0,
    entry: null,
    squaring: null,
    grip: null,
    retries: null,
  };
  const plan = (name: string, metres: number | null) => ({
    name,
    cable: "flat-drop",
    core: "9/125",
    sides: { A: { ...side, place: "Pole 2" }, B: { ...side, place: name } },
    route: [{ kind: "drop", name: "", length: metres === null ? null : metres * 1000, allowancePct: 0 }],
    loops: [],
    yield: null,
    risk: 0.05,
    roundUpTo: 500,
  });
  const pieces = [plan("Cottage 1", 41), plan("Cottage 2", 73.2), plan("Cottage 3", null)];
  await request.post(`/api/v1/jobs/${job}`, { data: { pieces: pieces.map((each) => ({ plan: each })) } });
  await page.goto(`/jobs/${job}`);
  await page.getByRole("link", { name: "Cut list" }).click();
  const rows = page.getByRole("row").filter({ has: page.getByRole("rowheader") });
  await expect(rows.nth(0)).toContainText(/Cottage 2.*Pole 2.*73\.50.*241 ft 2 in/s);
  await expect(rows.nth(1)).toContainText("41.00");
  await expect(rows.nth(2)).toContainText("Not complete yet: drop: length");
  await expect(page.getByRole("columnheader", { name: "Reel" })).toBeVisible();
  expect(await controlsOnPaper(page)).toEqual([]);
  const pages = await pdfPages(await page.pdf({ format: "A4" }));
  expect(pages).toHaveLength(1);
  expect(pages[0]).toContain("Checked by");
});

test("who signs a sheet never stands alone on a page, and a batch has its fibres' colours", {
  tag: "@desk",
}, async ({ page, request }) => {
  for (const address of [
    "/?cable=simplex-3.0&style=stub-wedge-release-cord",
    "/?cable=distribution-900&style=stub-cam-crimp-900",
    "/?cable=duplex-3.0&style=adhesive-polish-duplex",
    "/?cable=armoured-ribbon-96&style=central-tube-ribbon",
  ])
    for (const format of ["A4", "Letter"] as const) {
      await page.goto(address);
      await page.emulateMedia({ media: "print" });
      const pages = await pdfPages(await page.pdf({ format }));
      const signed = pages.find((text) => text.includes("Signed off by")) ?? "";
      const before = signed.slice(0, signed.indexOf("Signed off by"));
      expect(before.length, `${address} on ${format}`).toBeGreaterThan(120);
    }
  await page.emulateMedia({ media: null });
  const sheet = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125", count: 12 };
  const { id } = await (await request.post("/api/v1/batches", { data: { ...sheet, job: "Pad 7" } })).json();
  await page.goto(`/bench/batch/${id}`);
  const ends = page.getByRole("region", { name: "Its ends" }).getByRole("listitem");
  await expect(ends).toHaveCount(12);
});
