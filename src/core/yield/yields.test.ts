import fc from "fast-check";
import jStat from "jstat";
import { describe, expect, it } from "vitest";
import { besideTheRest, pooledRecords, pooledYields, yieldInterval } from "./yields";

const counted = fc
  .tuple(fc.nat({ max: 60 }), fc.nat({ max: 60 }))
  .map(([good, bad]) => ({ good, tried: good + bad }));

describe("a yield's interval", () => {
  it("is the one of Brown, Cai & DasGupta (2001), by another library's beta function", () => {
    fc.assert(
      fc.property(counted, fc.constantFrom(0.8, 0.9, 0.95), ({ good, tried }, sure) => {
        const { least, most } = yieldInterval({ good, tried }, sure);
        const [a, b] = [good + 0.5, tried - good + 0.5];
        const below = (x: number) => jStat.beta.cdf(x, a, b);
        expect(least).toBeLessThanOrEqual(most);
        if (good > 0) expect(below(least)).toBeCloseTo((1 - sure) / 2, 6);
        if (good < tried) expect(below(most)).toBeCloseTo(1 - (1 - sure) / 2, 6);
        if (tried > 0 && good === 0) expect(least).toBe(0);
        if (good === tried) expect(most).toBe(1);
      }),
    );
  });
});

describe("pooled records", () => {
  it("put the whole to each group, the more the less the groups differ; one with no record has the yield of all", () => {
    const alike = pooledRecords([
      { good: 18, tried: 20 },
      { good: 27, tried: 30 },
      { good: 0, tried: 0 },
    ]);
    const apart = pooledRecords([
      { good: 2, tried: 20 },
      { good: 29, tried: 30 },
      { good: 0, tried: 0 },
    ]);
    expect(alike.map(({ good, tried }) => good / tried)[2]).toBeCloseTo(0.9, 9);
    expect(alike[2]?.tried ?? 0).toBeGreaterThan(apart[2]?.tried ?? 0);
    expect(pooledRecords([{ good: 0, tried: 0 }])).toEqual([{ good: 0, tried: 0 }]);
  });
});

describe("pooled yields", () => {
  it("lie between a group's own and that of all, nearer to its own the more ends it has", () => {
    fc.assert(
      fc.property(fc.array(counted, { minLength: 1, maxLength: 8 }), (groups) => {
        const tried = groups.reduce((sum, group) => sum + group.tried, 0);
        const all = groups.reduce((sum, { good }) => sum + good, 0) / Math.max(1, tried);
        pooledYields(groups).forEach((pooled, i) => {
          const group = groups[i] ?? { good: 0, tried: 0 };
          const own = group.tried > 0 ? group.good / group.tried : all;
          expect(pooled).toBeGreaterThanOrEqual(Math.min(own, all) - 1e-12);
          expect(pooled).toBeLessThanOrEqual(Math.max(own, all) + 1e-12);
        });
      }),
    );
    const [few = 0, many = 0] = pooledYields([
      { good: 1, tried: 2 },
      { good: 100, tried: 200 },
      { good: 190, tried: 200 },
    ]);
    expect(many).toBeLessThan(few);
    expect(many).toBeGreaterThan(0.5);
  });
});

describe("groups beside the rest", () => {
  it("are told apart only where their intervals do not overlap", () => {
    fc.assert(
      fc.property(fc.array(counted, { minLength: 2, maxLength: 6 }), (groups) => {
        const beside = besideTheRest(groups, 0.9);
        groups.forEach((group, i) => {
          const rest = groups
            .filter((_, j) => j !== i)
            .reduce((sum, each) => ({ good: sum.good + each.good, tried: sum.tried + each.tried }), {
              good: 0,
              tried: 0,
            });
          const [own, others] = [yieldInterval(group, 0.9), yieldInterval(rest, 0.9)];
          const isApart =
            group.tried > 0 && rest.tried > 0 && (own.most < others.least || own.least > others.most);
          expect(beside[i] !== "alike").toBe(isApart);
        });
      }),
    );
    expect(
      besideTheRest(
        [
          { good: 3, tried: 4 },
          { good: 7, tried: 8 },
        ],
        0.9,
      ),
    ).toEqual(["alike", "alike"]);
  });
});
