import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { shippedSheets } from "../runsheet/fixtures/shipped-sheets";
import { gaugeEdges } from "./gauge";
import { readBars, UNPROVEN } from "./printer";
import { inchRule, mmRule, STRIP_OVERLAP, stripMarks, stripWindows } from "./strip";

describe("the marks of a strip card", () => {
  it.each(shippedSheets.map(({ name, sheet }) => [name, sheet] as const))(
    "%s: every figure of the sheet, each with a letter of its own, nearest the datum first",
    (_, sheet) => {
      const marks = stripMarks(sheet);
      const figures = sheet.lines.flatMap(({ figure }) => (figure ? [figure.feature] : []));
      expect(new Set(marks.map(({ feature }) => feature))).toEqual(new Set(figures));
      expect(new Set(marks.map(({ letter }) => letter)).size).toBe(marks.length);
      expect([...marks].sort((a, b) => a.at - b.at)).toEqual(marks);
    },
  );
});

describe("a long strip over several cards", () => {
  it("has every mark on a card, neighbours sharing exactly the overlap (property)", () => {
    const places = fc.array(fc.integer({ min: 0, max: 2_000_000 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(places, fc.integer({ min: 60_000, max: 300_000 }), (at, room) => {
        const windows = stripWindows(
          at.map((place) => ({ at: um(place) })),
          um(room),
        );
        for (const place of at)
          expect(windows.some(({ from, to }) => from <= place && place <= to)).toBe(true);
        for (const { from, to } of windows) expect(to - from).toBeLessThanOrEqual(room);
        windows.slice(1).forEach(({ from }, i) => {
          expect((windows[i]?.to ?? 0) - from).toBe(STRIP_OVERLAP);
        });
      }),
    );
  });
  it("cuts a strip of 955 mm into five cards of 240 mm (check value 6, its length)", () => {
    expect(stripWindows([{ at: um(955_000) }], um(240_000))).toHaveLength(5);
  });
});

describe("the rules", () => {
  it("agree where they meet: an inch lies at 25.4 mm, twelve at 304.8 (NIST SP 811)", () => {
    const window = { from: um(0), to: um(305_000) };
    const inches = inchRule(window).filter(({ label }) => label !== null);
    expect(inches.map(({ at }) => Math.round(at))).toEqual(Array.from({ length: 13 }, (_, i) => i * 25_400));
    expect(mmRule(window).filter(({ label }) => label === "300")[0]?.at).toBe(300_000);
  });
  it("start where a later card starts, with the numbers of the whole strip", () => {
    const labels = mmRule({ from: um(215_000), to: um(242_000) }).flatMap(({ label }) => label ?? []);
    expect(labels).toEqual(["220", "230", "240"]);
  });
});

describe("a printer's correction", () => {
  it("brings the next card out true within 0.2 mm in 100, whatever the printer does (property)", () => {
    const scale = fc.double({ min: 0.976, max: 1.024, noNaN: true });
    // A steel rule is read to a tenth.
    const tenth = (value: number) => Math.round(value * 10) / 10;
    fc.assert(
      fc.property(scale, scale, fc.constantFrom(100, 50), (x, y, downBar) => {
        const reading = readBars(tenth(100 * x), tenth(downBar * y), UNPROVEN, downBar);
        if (reading.kind === "fitted") return;
        expect(Math.abs(100 * x * reading.correction.x - 100)).toBeLessThanOrEqual(0.26);
        expect(Math.abs(100 * y * reading.correction.y - 100)).toBeLessThanOrEqual(0.31);
      }),
    );
  });
  it("is kept where both bars are true within 0.2, both limits in; a bar far off was scaled on purpose", () => {
    expect(readBars(99.8, 100.2, UNPROVEN).kind).toBe("true");
    expect(readBars(99.7, 100, UNPROVEN).kind).toBe("correct");
    expect([readBars(97.4, 100, UNPROVEN).kind, readBars(Number.NaN, 100, UNPROVEN).kind]).toEqual([
      "fitted",
      "fitted",
    ]);
  });
  it("counts from the correction the measured card was drawn with", () => {
    const first = readBars(99, 101, UNPROVEN);
    if (first.kind !== "correct") throw new Error("a correction");
    const second = readBars(99.5, 100, first.correction);
    expect(second.kind === "correct" && second.correction.x).toBeCloseTo(1 / 0.99 / 0.995, 12);
  });
});

describe("a gauge for several styles", () => {
  const style = (id: string, ...at: number[]) => ({
    id,
    marks: at.map((place) => ({ at: um(place), name: `${place}` })),
  });
  it("puts styles whose marks lie within reading error of one another on edges of their own", () => {
    const [a, b, c] = [style("a", 37_000, 65_000), style("b", 37_500, 80_000), style("c", 65_400, 120_000)];
    const gauge = gaugeEdges([a, b, c], 1_500);
    expect(gauge.clashes.map(({ apart }) => apart)).toEqual([500, 400]);
    // b and c do not clash: two edges are enough.
    expect(gauge.edges).toEqual({ a: "front top", b: "front bottom", c: "front bottom" });
  });
  it("shares one edge where no marks are mistaken, equal ones among them", () => {
    expect(gaugeEdges([style("a", 37_000), style("b", 37_000, 90_000)], 1_500)).toEqual({
      edges: { a: "front top", b: "front top" },
      clashes: [],
    });
  });
  it("on one edge refuses what two edges hold apart", () => {
    const two = [style("a", 37_000), style("b", 37_500)];
    expect(gaugeEdges(two, 1_500, 1).edges).toBeNull();
    expect(gaugeEdges(two, 1_500, 2).edges).toEqual({ a: "front top", b: "front bottom" });
  });
  it("refuses what no four edges can hold apart", () => {
    const five = [0, 300, 600, 900, 1_200].map((off) => style(`s${off}`, 40_000 + off));
    expect(gaugeEdges(five, 1_500).edges).toBeNull();
    expect(gaugeEdges(five.slice(0, 4), 1_500).edges).not.toBeNull();
  });
});
