import { describe, expect, it } from "vitest";
import { type GaugeEdge, JOB_PRINT_PARTS, type RunSheet, stripMarks, trayLists, UNPROVEN } from "@/core";
import { shippedSheets } from "@/core/runsheet/fixtures/shipped-sheets";
import { shippedLibrary } from "../../../harness/shipped";
import { cardSvg } from "./card-svg";
import { gaugePages } from "./gauge-pages";
import { jobPages } from "./job-pages";
import { STRIP_ROW } from "./pocket";
import type { CardPage } from "./shapes";

const sheetOf = (start: string): RunSheet => {
  const named = shippedSheets.find(({ name }) => name.startsWith(start));
  if (!named) throw new Error(`no sheet ${start}`);
  return named.sheet;
};
const [cord, polish, drop] = [
  sheetOf("stub-wedge-release-cord on simplex-3.0"),
  sheetOf("adhesive-polish-duplex on duplex-3.0"),
  sheetOf("drop-clamp on"),
];
const label = (n: number) => ({ title: `Pad ${n}`, place: "side A", foot: "North ring" });
const shippedEntry = shippedLibrary().entries.find(({ trays }) => trays !== null);
const TRAYS = shippedEntry?.trays;
if (!TRAYS) throw new Error("trays");
const splice = (n: number, slot: string) => ({
  id: `5b1d7c1e-0000-4000-8000-00000000000${n}`,
  a: { cable: "hall", towards: null, fibre: n },
  b: { cable: "pigtail", towards: null, fibre: n },
  ...{ count: 1, slot, lengths: { a: null, b: null }, note: "" },
});
const [first, second] = TRAYS.slots.map(({ id }) => id);
const CLOSING = {
  closures: [
    {
      ...{ name: "Pad 4", entry: "Dome", address: "/jobs/x/closures/y" },
      cables: [cord, drop].map((sheet, i) => ({ title: `${i + 1}  Feeder`, ports: "2", sheet })),
    },
  ],
  trays: trayLists(TRAYS, [splice(1, `1.${second}`), splice(2, `1.${first}`), splice(3, `2.${first}`)]).map(
    (list) => ({
      ...{ closure: "Pad 4", list, limitDb: 0.3 },
      endText: ({ cable, fibre }: { cable: string; fibre: number }) => `${cable} fibre ${fibre}`,
    }),
  ),
};
const JOB = {
  ...CLOSING,
  name: "North ring",
  sheets: [cord, polish, drop].map((sheet) => ({ sheet, address: "/?cable=x" })),
  labels: Array.from({ length: 61 }, (_, n) => label(n)),
  cuts: [{ name: "Pad 4 feeder", cable: "Loose tube", metres: "124.50", from: "Hut", to: "Pad 4" }],
};
const pagesOf = (parts: readonly (typeof JOB_PRINT_PARTS)[number][], paper: "a4" | "roll-62" = "a4") => [
  ...jobPages({
    ...{ job: JOB, parts, paper, day: "2026-12-01", printer: null },
    ...{ origin: "http://127.0.0.1:3000", correction: UNPROVEN },
  }),
];
const texts = ({ shapes }: CardPage) =>
  shapes.flatMap((shape) => (shape.kind === "text" ? [shape.text] : []));

/** Upright lines of the marks of a page, between two heights. */
const uprightIn = (page: CardPage, top: number, bottom: number) =>
  page.shapes.flatMap((shape) =>
    shape.kind === "line" &&
    shape.layer === "mark" &&
    shape.x1 === shape.x2 &&
    shape.y1 >= top &&
    shape.y2 <= bottom
      ? [shape.x1]
      : [],
  );

/** How far the marks of a sheet are at most from the lines of its strip, millimetres. */
function worstOff(page: CardPage, sheet: RunSheet, top: number): number {
  const upright = uprightIn(page, top, top + STRIP_ROW);
  return Math.max(
    ...stripMarks(sheet).map(({ at }) => Math.min(...upright.map((x) => Math.abs(x - 24 - at / 1_000)))),
  );
}

describe("what is printed for a job", () => {
  it("is all parts one after the other, each as many pages as it takes", () => {
    const count = (...parts: (typeof JOB_PRINT_PARTS)[number][]) => pagesOf(parts).length;
    expect(count("cuts")).toBe(1);
    expect(count("pocket")).toBe(1);
    expect(count("labels")).toBe(2);
    expect(count("trays")).toBe(2);
    expect(count(...JOB_PRINT_PARTS)).toBe(JOB_PRINT_PARTS.reduce((sum, part) => sum + count(part), 0));
  });
  it("has every step of a procedure on its traveller, in the order of work, with room for each reading", () => {
    const pages = pagesOf(["travellers"]).filter((page) => texts(page).includes(cord.procedure.name));
    const numbers = pages.flatMap(texts).filter((text) => /^\d+$/.test(text));
    expect(numbers).toEqual(cord.lines.map(({ index }) => String(index + 1)));
    for (const { name } of cord.lines.flatMap(({ checks }) => checks))
      expect(pages.flatMap(texts).join(" ")).toContain(name.split(" ")[0]);
    for (const { height, shapes } of pages)
      for (const shape of shapes) if (shape.kind === "text") expect(shape.y).toBeLessThanOrEqual(height - 4);
  });
  it("has on a tray's list its splices slot by slot, with the steps in the order of laying", () => {
    const [page] = pagesOf(["trays"]);
    if (!page) throw new Error("a page");
    const all = texts(page);
    expect(all).toContain("Pad 4, tray 1");
    expect(all.indexOf("hall fibre 2")).toBeLessThan(all.indexOf("hall fibre 1"));
    expect(all).not.toContain("hall fibre 3");
    expect(all.slice(all.indexOf("hall fibre 2") - 3)[0]).toMatch(/^\d, \d$/);
  });
  it("draws on a closure's card every cable to the stated scale, with all its lengths", () => {
    const [page] = pagesOf(["closures"]);
    if (!page) throw new Error("a page");
    const scale = Number(/1 : (\d+)/.exec(texts(page).join("|"))?.[1]);
    const upright = page.shapes.flatMap((shape) =>
      shape.kind === "line" && shape.layer === "mark" ? [shape.x1] : [],
    );
    for (const sheet of [cord, drop])
      for (const { at, letter } of stripMarks(sheet)) {
        expect(Math.min(...upright.map((x) => Math.abs(x - 14 - at / 1_000 / scale)))).toBeLessThan(0.01);
        expect(texts(page)).toContain(letter);
      }
    expect(texts(page)).toContain("Work to the lengths, not to the drawing.");
  });
  it("has the labels of a roll below one another, as many as its width takes", () => {
    for (const page of pagesOf(["labels"], "roll-62")) {
      expect(page.height).toBe(62);
      for (const shape of page.shapes)
        if (shape.kind === "rect") expect(shape.y + shape.height).toBeLessThanOrEqual(60);
    }
    expect(
      pagesOf(["labels"], "roll-62")
        .flatMap(texts)
        .filter((text) => /^Pad \d+$/.test(text)),
    ).toHaveLength(61);
  });
  it("has on the pocket card every style at true scale, to 0.01 mm, with the proof of scale", () => {
    const [page] = pagesOf(["pocket"]);
    if (!page) throw new Error("a page");
    for (const [i, sheet] of [cord, polish, drop].entries())
      expect(worstOff(page, sheet, 6 + i * STRIP_ROW)).toBeLessThan(0.01);
    expect(texts(page)).toContain("Not proven: measure the bar");
    expect(texts(page).filter((text) => text.includes("100 mm"))).toHaveLength(2);
  });
  it("names on the pocket card what is too long for it, and draws nothing cut off", () => {
    const kit = sheetOf("breakout-kit-12 on");
    const [page, more] = jobPages({
      ...{ parts: ["pocket"], paper: "a4", day: "", printer: null, origin: "", correction: UNPROVEN },
      job: { ...JOB, sheets: [cord, kit].map((sheet) => ({ sheet, address: "" })) },
    });
    expect(more).toBeUndefined();
    expect(page && texts(page).join("|")).toContain(`Too long for this card: ${kit.procedure.name}`);
    expect(page && texts(page)).not.toContain("lay the next card here");
  });
  it("has a label of every end, each on a page, none over another", () => {
    const pages = pagesOf(["labels"]);
    expect(pages.flatMap(texts).filter((text) => /^Pad \d+$/.test(text))).toHaveLength(61);
    for (const { width, height, shapes } of pages) {
      const outlines = shapes.filter((shape) => shape.kind === "rect");
      for (const [i, a] of outlines.entries()) {
        expect([a.x >= 0, a.y >= 0, a.x + a.width <= width, a.y + a.height <= height]).toEqual(
          Array(4).fill(true),
        );
        for (const b of outlines.slice(i + 1))
          expect(
            a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y,
          ).toBe(true);
      }
    }
  });
  it("has the cut list with metres, and takes user's words as words in SVG", () => {
    const [page] = pagesOf(["cuts"]);
    expect(page && texts(page)).toEqual(expect.arrayContaining(["Pad 4 feeder", "124.50", "Hut", "Pad 4"]));
    const [marked] = jobPages({
      ...{ parts: ["cuts"], paper: "a4", day: "", printer: null, origin: "", correction: UNPROVEN },
      job: { ...JOB, cuts: [{ ...JOB.cuts[0], name: "<script>" } as (typeof JOB.cuts)[number]] },
    });
    expect(marked && cardSvg(marked)).not.toContain("<script>");
  });
});

const EDGES = ["front top", "front bottom", "back top"] as const;

describe("a gauge", () => {
  it("has every style at true scale on its edge, and no letter twice", () => {
    let lettersBefore = 0;
    const rows = [cord, polish, drop].map((sheet, i) => {
      const edge: GaugeEdge = EDGES[i] ?? "back bottom";
      const row = { sheet, edge, lettersBefore };
      lettersBefore += stripMarks(sheet).length;
      return row;
    });
    const [page] = gaugePages(rows, { paper: "a4", day: "2026-12-01", printer: null });
    if (!page) throw new Error("a page");
    for (const [i, sheet] of [cord, polish, drop].entries())
      expect(worstOff(page, sheet, 6 + i * STRIP_ROW)).toBeLessThan(0.01);
    const letters = page.shapes.flatMap((shape) =>
      shape.kind === "text" && shape.light && /^[A-Z]{1,2}$/.test(shape.text) ? [shape.text] : [],
    );
    expect(letters).toHaveLength(lettersBefore);
    expect(new Set(letters).size).toBe(lettersBefore);
    expect(texts(page)).toEqual(expect.arrayContaining(["front top", "front bottom", "back top"]));
  });
});
