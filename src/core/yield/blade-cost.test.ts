import { describe, expect, it } from "vitest";
import { turnCosts } from "./blade-cost";

const USE = { positions: 10, bladePrice: 50, failedCost: 8, perEnd: 1 };

describe("a blade's cost of an end", () => {
  it("is its price over all its cleaves, and the failed ends up to that age", () => {
    const [cost] = turnCosts([{ upTo: 500, ends: 40, failed: 2 }], USE);
    expect(cost).toMatchObject({ every: 500, blade: 0.01, failed: 0.4, ends: 40 });
    expect(cost?.total).toBeCloseTo(0.41, 12);
  });
  it("is least before the ends of an old place begin to fail, and later where failing costs nothing", () => {
    const ages = [
      { upTo: 500, ends: 100, failed: 2 },
      { upTo: 1_000, ends: 100, failed: 2 },
      { upTo: 1_500, ends: 100, failed: 30 },
    ];
    const best = (failedCost: number) =>
      turnCosts(ages, { ...USE, failedCost }).reduce((least, each) =>
        each.total < least.total ? each : least,
      ).every;
    expect(best(8)).toBe(1_000);
    expect(best(0)).toBe(1_500);
  });
  it("is not said of an age with too few ends, or of one no end was made at", () => {
    expect(turnCosts([{ upTo: 500, ends: 19, failed: 0 }], USE)).toEqual([]);
    expect(
      turnCosts(
        [
          { upTo: 500, ends: 30, failed: 0 },
          { upTo: 1_000, ends: 0, failed: 0 },
        ],
        USE,
      ).map(({ every }) => every),
    ).toEqual([500]);
  });
});
