import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import type { Need } from "../piece/needs";
import { pieceDrawing } from "./piece";
import { drawnStretches } from "./stretches";

describe("what of an axis is drawn", () => {
  const stops = fc.array(fc.integer({ min: -900_000, max: 900_000 }), { maxLength: 10 });
  it("holds every stop, in stretches that follow one another and leave only long gaps out", () => {
    fc.assert(
      fc.property(stops, (places) => {
        const stretches = drawnStretches(places);
        for (const at of [0, ...places])
          expect(stretches.some(({ from, to }) => from <= at && at <= to)).toBe(true);
        stretches.slice(1).forEach(({ from }, i) => {
          // 80 mm and more between two stops, 7 mm kept at either.
          expect(from - (stretches[i]?.to ?? from)).toBeGreaterThan(80_000 - 14_000);
        });
      }),
    );
  });
  it("leaves nothing out of an end that is all of one size", () => {
    expect(drawnStretches([10_000, 48_500, 64_000])).toEqual([{ from: 0, to: 64_000 }]);
  });
  it("leaves the run up to a clamp far behind out", () => {
    expect(drawnStretches([37_000, 64_000, 228_000])).toEqual([
      { from: 0, to: 71_000 },
      { from: 221_000, to: 228_000 },
    ]);
  });
});

describe("a whole piece, drawn", () => {
  const need = (at: number, length: number): Need => ({
    part: { of: "route", at },
    name: "",
    length: um(length),
    figures: [],
  });
  it("has its parts touch one another, from side A on, and ends where they add up to", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 2e9 }), { minLength: 1, maxLength: 9 }), (lengths) => {
        const shapes = pieceDrawing(lengths.map((length, at) => need(at, length)));
        expect(shapes[0]?.from).toBe(0);
        shapes.slice(1).forEach(({ from }, i) => {
          expect(from).toBe(shapes[i]?.to);
        });
        expect(shapes.at(-1)?.to).toBe(lengths.reduce((sum, length) => sum + length, 0));
        expect(new Set(shapes.map(({ key }) => key)).size).toBe(lengths.length);
      }),
    );
  });
});
