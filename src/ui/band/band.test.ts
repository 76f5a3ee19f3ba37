import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drawnStretches } from "@/core";
import { placeFlags } from "./flags";
import { bandScale, inchTicks, mmTicks } from "./scale";

const mm = (...values: number[]) => values.map((value) => value * 1000);

describe("the band's scale", () => {
  it("draws equal lengths equally long, from the fibre end rightwards", () => {
    const { x, pxPerMm } = bandScale(drawnStretches(mm(27.5, 37, 48.5, 64)), 1204, 34, 180);
    expect(x(0)).toBe(34);
    expect(x(37_000) - x(27_500)).toBeCloseTo(9.5 * pxPerMm, 6);
    expect(x(64_000) - x(48_500)).toBeCloseTo(15.5 * pxPerMm, 6);
    expect(x(64_000)).toBeCloseTo(1204 - 180, 6);
  });
  it("leaves length out of a long gap at a break, at one true scale either side", () => {
    const { stretches, pxPerMm, x } = bandScale(drawnStretches(mm(37, 64, 228)), 1204, 34, 180);
    expect(stretches).toHaveLength(2);
    expect(x(64_000) - x(37_000)).toBeCloseTo(27 * pxPerMm, 6);
    for (const { from, to, x0, x1 } of stretches)
      expect(x1 - x0).toBeCloseTo(((to - from) / 1000) * pxPerMm, 6);
  });
  it("never puts what lies further back further left, wherever the features are", () => {
    const positions = fc.array(fc.integer({ min: 1_000, max: 1_000_000 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(positions, fc.integer({ min: 320, max: 1600 }), (list, width) => {
        const { x } = bandScale(drawnStretches(list), width, 16, 40);
        const sorted = [...list].sort((a, b) => a - b);
        sorted.slice(1).forEach((position, i) => {
          expect(x(position)).toBeGreaterThanOrEqual(x(sorted[i] as number));
        });
      }),
    );
  });
});

describe("the tape", () => {
  const scale = bandScale(drawnStretches(mm(64)), 1204, 34, 180);
  it("has a tick at each millimetre and a number at each ten, at its true place", () => {
    const ticks = mmTicks(scale);
    const forty = ticks.find(({ label }) => label === "40");
    expect(forty?.x).toBeCloseTo(scale.x(40_000), 6);
    expect(ticks.filter(({ x }) => x >= scale.x(0) && x < scale.x(10_000))).toHaveLength(10);
  });
  it("reads inches in sixteenths below", () => {
    const ticks = inchTicks(scale);
    expect(ticks.find(({ label }) => label === "1″")?.x).toBeCloseTo(scale.x(25_400), 6);
    expect(ticks.filter(({ x }) => x >= scale.x(0) - 0.01 && x < scale.x(25_400) - 0.01)).toHaveLength(16);
  });
  it("has no number over the next, however long the cable and narrow the band", () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 4_900 }), fc.integer({ min: 300, max: 1_900 }), (far, width) => {
        const long = bandScale([{ from: 0, to: far * 1000 }], width, 34, 180);
        const labels = mmTicks(long).filter(({ label }) => label !== null);
        labels.forEach(({ x, label }, i) => {
          // A figure of the tape is about six pixels wide.
          if (i > 0) expect(x - (labels[i - 1]?.x ?? 0)).toBeGreaterThan(6 * (label?.length ?? 0));
        });
      }),
    );
  });
  it("stops at a break and goes on behind it", () => {
    const broken = bandScale(drawnStretches(mm(64, 228)), 1204, 34, 180);
    const [near, far] = broken.stretches as [(typeof broken.stretches)[0], (typeof broken.stretches)[0]];
    expect(mmTicks(broken).filter(({ x }) => x > near.x1 + 0.01 && x < far.x0 - 0.01)).toEqual([]);
  });
});

describe("flags", () => {
  const text = fc.record({
    id: fc.uuid(),
    x: fc.integer({ min: 0, max: 1000 }),
    main: fc.constant("228.0"),
    note: fc.constantFrom("jacket edge", "second mark · 11.5 further on"),
    first: fc.boolean(),
  });
  it("never hang over one another on a row, nor over the sides, and no pole runs through a text", () => {
    fc.assert(
      fc.property(fc.array(text, { maxLength: 9 }), (flags) => {
        const hung = placeFlags(flags, 1000, 3)
          .filter(({ letter }) => letter === null)
          .map(({ x, side, row, main, note, showNote }) => {
            const long = Math.max(main.length * 10, showNote ? note.length * 6.6 : 0);
            return { x, row, from: side === "right" ? x : x - long, to: side === "right" ? x + long : x };
          });
        for (const a of hung) {
          expect(a.from).toBeGreaterThanOrEqual(0);
          expect(a.to).toBeLessThanOrEqual(1000);
          for (const b of hung.filter((item) => item !== a)) {
            expect(a.row !== b.row || a.to <= b.from || b.to <= a.from).toBe(true);
            expect(a.row >= b.row || a.x < b.from || a.x > b.to).toBe(true);
          }
        }
      }),
    );
  });
  it("that have no room go by letters, in order along the cable, and none is left out", () => {
    fc.assert(
      fc.property(
        fc.array(text, { minLength: 1, maxLength: 20 }),
        fc.integer({ min: 120, max: 1000 }),
        (flags, width) => {
          const placed = placeFlags(flags, width, 1);
          expect(placed).toHaveLength(flags.length);
          const letters = placed.flatMap(({ letter }) => letter ?? []);
          expect(letters).toEqual(letters.map((_, i) => String.fromCharCode(97 + i)));
        },
      ),
    );
  });
  it("the one being worked on always keeps its figure", () => {
    const crowd = Array.from({ length: 12 }, (_, i) => ({
      id: String(i),
      x: 500 + i,
      main: "48.5",
      note: "second mark",
      first: i === 7,
    }));
    expect(placeFlags(crowd, 1000, 2).find(({ first }) => first)).toMatchObject({
      letter: null,
      showNote: true,
    });
  });
});
