import fc from "fast-check";
import jStat from "jstat";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { compareCosts } from "./cost";
import { driftOf } from "./drift";
import { partsFor } from "./stock";

describe("parts to bring", () => {
  // jStat, a statistics package.
  it("run short as often as a binomial distribution tells", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 5, max: 99 }), (ends, percent) => {
        const p = percent / 100;
        const { short } = partsFor({ ends, yield: { p }, risk: 0.001, most: 12 });
        for (const [spares, chance] of short.entries())
          expect(chance).toBeCloseTo(jStat.binomial.cdf(ends - 1, ends + spares, p), 7);
      }),
    );
  });
  it("of a record are averaged over what it leaves open", () => {
    const [good, tried, ends] = [17, 20, 6];
    const { short } = partsFor({ ends, yield: { good, tried }, risk: 1e-6, most: 4 });
    // The mean over Beta by the midpoint rule, beside jStat's densities.
    const steps = 20_000;
    for (const [spares, chance] of short.entries()) {
      let mean = 0;
      for (let i = 0; i < steps; i++) {
        const p = (i + 0.5) / steps;
        mean +=
          (jStat.beta.pdf(p, good + 0.5, tried - good + 0.5) *
            jStat.binomial.cdf(ends - 1, ends + spares, p)) /
          steps;
      }
      expect(chance).toBeCloseTo(mean, 5);
    }
  });
  it("are none to spare where every try is good, and never enough where none ever was", () => {
    expect(partsFor({ ends: 9, yield: { p: 1 }, risk: 0.01, most: 3 })).toEqual({ parts: 9, short: [0] });
    const never = partsFor({ ends: 9, yield: { good: 0, tried: 400 }, risk: 0.01, most: 3 });
    expect(never.parts).toBeNull();
    expect(never.short).toHaveLength(4);
  });
  it("are told for thousands of ends whose every chance of no spare is nothing", () => {
    const { parts } = partsFor({ ends: 5_000, yield: { p: 0.5 }, risk: 0.05, most: 10_000 });
    expect(parts).toBeGreaterThan(10_000);
    expect(parts).toBeLessThan(10_500);
  });
});

const way = {
  part: 4,
  consumables: 1,
  minutes: 6,
  setupMinutes: 30,
  kit: 200,
  cable: um(50_000),
  partLost: 1,
  yield: { p: 0.9 },
};

describe("costs compared", () => {
  const costs = (ways: Parameters<typeof compareCosts>[0]["ways"], ends: number) =>
    compareCosts({ ways, ends, wage: 60, cablePrice: 2 });
  it("cross where both cost the same", () => {
    fc.assert(
      fc.property(
        fc.nat({ max: 900 }),
        fc.nat({ max: 20 }),
        fc.integer({ min: 40, max: 99 }),
        (kit, part, percent) => {
          const ways = [
            { name: "stub", ...way },
            { name: "polish", ...way, kit, part, yield: { p: percent / 100 } },
          ];
          const [crossing] = costs(ways, 1).crossings;
          if (!crossing) return;
          const around = (ends: number) => costs(ways, ends).ways.map(({ total }) => total ?? 0);
          const [below = 0, belowToo = 0] = around(Math.max(1, Math.floor(crossing.ends)));
          const [above = 0, aboveToo = 0] = around(Math.ceil(crossing.ends) + 1);
          if (crossing.ends > 1) expect((below - belowToo) * (above - aboveToo)).toBeLessThanOrEqual(1e-6);
        },
      ),
    );
  });
  it("leave out a way that never came good, and have no cheapest of none", () => {
    const never = { name: "never", ...way, yield: { good: 0, tried: 5 } };
    expect(costs([never], 4)).toEqual({
      ways: [{ name: "never", attempts: null, total: null, perEnd: null, hours: null }],
      cheapest: null,
      crossings: [],
    });
    expect(costs([never, { name: "stub", ...way }], 4).cheapest).toBe("stub");
  });
  it("name the first of equals", () => {
    expect(
      costs(
        [
          { name: "b", ...way },
          { name: "a", ...way },
        ],
        4,
      ),
    ).toMatchObject({ cheapest: "b", crossings: [] });
  });
});

describe("drift", () => {
  it("signals a step up after it, however far the baseline lies, and never a run on its mean", () => {
    fc.assert(
      fc.property(fc.integer({ min: -1_000, max: 1_000 }), fc.integer({ min: 3, max: 20 }), (mean, at) => {
        const values = Array.from({ length: at + 12 }, (_, i) => (i < at ? mean : mean + 2));
        const { signals, outside } = driftOf({ values, baseline: { mean, sigma: 1 }, lambda: 0.2, width: 3 });
        expect(signals[0]).toBeGreaterThan(at);
        expect(signals.at(-1)).toBe(values.length);
        expect(outside).toEqual([]);
      }),
    );
  });
  it("of values that never differed calls everything off them outside", () => {
    const answer = driftOf({ values: [5, 5, 5, 5.1], baseline: { first: 3 }, lambda: 0.4, width: 3 });
    expect([answer.sigma, answer.signals, answer.outside]).toEqual([0, [4], [4]]);
  });
});
