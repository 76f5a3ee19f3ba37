import { describe, expect, it } from "vitest";
import { type GaugeEdge, JOB_PRINT_PARTS, type RunSheet, stripMarks, UNPROVEN } from "@/core";
import { shippedSheets } from "@/core/runsheet/fixtures/shipped-sheets";
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
const JOB = {
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
    expect(count(...JOB_PRINT_PARTS)).toBe(
      count("cuts") + count("pocket") + count("labels") + count("cards"),
    );
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
