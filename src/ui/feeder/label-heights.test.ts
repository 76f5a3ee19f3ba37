import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { labelHeights } from "./label-heights";

describe("the figures over the bars of a feeder", () => {
  it("stand over their own bars where there is room, one line higher where the one before is in the way", () => {
    const bars = [
      { x: 0, top: 100 },
      { x: 22, top: 110 },
      { x: 200, top: 90 },
    ];
    expect(labelHeights(bars)).toEqual([94, 78, 84]);
  });
  it("are left out where they would stand far above their bars", () => {
    const crowd = Array.from({ length: 6 }, (_, i) => ({ x: i, top: 100 }));
    expect(labelHeights(crowd)).toEqual([94, 78, 62, 46, null, null]);
  });
  it("never lie over one another, nor over their own bars", () => {
    const bar = fc.record({ x: fc.nat({ max: 600 }), top: fc.integer({ min: 100, max: 300 }) });
    fc.assert(
      fc.property(fc.array(bar, { maxLength: 30 }), (drawn) => {
        const bars = drawn.sort((a, b) => a.x - b.x);
        const heights = labelHeights(bars);
        const shown = bars.flatMap(({ x, top }, i) => {
          const y = heights[i] ?? null;
          return y === null ? [] : [{ x, top, y }];
        });
        for (const [i, { x, top, y }] of shown.entries()) {
          expect(y).toBeLessThanOrEqual(top - 6);
          for (const before of shown.slice(0, i))
            if (x - before.x < 44) expect(Math.abs(y - before.y)).toBeGreaterThanOrEqual(16);
        }
      }),
    );
  });
});
