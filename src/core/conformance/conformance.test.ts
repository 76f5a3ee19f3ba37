import fc from "fast-check";
import jstat from "jstat";
import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { type ConformanceInput, judge } from "./conformance";
import { normalAbove, normalBetween } from "./normal";

const ask = (readings: number[], changes: Partial<ConformanceInput> = {}) =>
  judge({
    limits: { min: mm(9), max: mm(10) },
    readings: readings.map(mm),
    instrument: { resolution: mm(0.5), repeatability: mm(0.2) },
    rule: { kind: "guarded", risk: 0.05 },
    ...changes,
  });

describe("the normal distribution", () => {
  // NIST/SEMATECH e-Handbook, 1.3.6.7.1, cumulative distribution of the standard normal (area from 0 to z).
  it.each([
    [0, 0],
    [0.5, 0.19146],
    [1, 0.34134],
    [1.64, 0.4495],
    [1.96, 0.475],
    [2.58, 0.49506],
    [3, 0.49865],
    [4, 0.49997],
  ])("area from 0 to %d is %d", (z, area) => {
    expect(normalBetween(0, z)).toBeCloseTo(area, 5);
  });
  it("keeps its digits far out in the tail", () => {
    // Abramowitz & Stegun, table 26.2: −log10 Q(x) is 9.00586 at 6 and 23.11805 at 10 (from memory).
    expect(-Math.log10(normalAbove(6))).toBeCloseTo(9.00586, 4);
    expect(-Math.log10(normalAbove(10))).toBeCloseTo(23.11805, 4);
    expect(normalAbove(60)).toBe(0);
  });
  it("agrees with a general-purpose statistics package", () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), (z) => {
        expect(normalAbove(-z)).toBeCloseTo(jstat.normal.cdf(z, 0, 1), 9);
      }),
    );
  });
  it("is smooth where one approximation hands over to the next", () => {
    for (const at of [0.46875, 4]) {
      const z = at * Math.SQRT2;
      const slope = (normalAbove(z - 1e-7) - normalAbove(z + 1e-7)) / 2e-7;
      expect(slope / (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI))).toBeCloseTo(1, 5);
    }
  });
});

describe("judging readings", () => {
  it("a mean on a limit is in under the simple rule, and a coin toss by probability", () => {
    const on = ask([10], { rule: { kind: "simple" } });
    expect(on.verdict).toBe("in");
    expect(on.probability).toBeCloseTo(0.5, 2);
    expect(on).not.toHaveProperty("more");
  });
  it("readings whose mean is exactly on a limit are in, though the mean has no exact decimals", () => {
    expect(ask([9.999, 10.001, 10], { rule: { kind: "simple" } }).verdict).toBe("in");
    expect(ask([10, 10, 10.001], { rule: { kind: "simple" } }).verdict).toBe("out");
  });
  it("near a limit it is unsure, and says how many more readings would settle it", () => {
    const near = ask([9.3]);
    expect(near.verdict).toBe("unsure");
    expect(near.more).toBeGreaterThan(0);
    const settled = ask([9.3, ...Array.from({ length: near.more as number }, () => 9.3)]);
    expect(settled).toMatchObject({ verdict: "in", more: 0 });
    const oneFewer = ask(Array.from({ length: near.more as number }, () => 9.3));
    expect(oneFewer.verdict).toBe("unsure");
  });
  it("where resolution alone spoils it, no number of readings helps", () => {
    expect(ask([10.05]).more).toBeNull();
  });
  it("uncertainty is resolution over root twelve beside repeatability over root n", () => {
    // JCGM 100:2008, 4.3.7 (rectangular) and 4.2.3 (mean of n).
    expect(ask([9.5, 9.5, 9.5, 9.5]).u).toBeCloseTo(Math.hypot(500 / Math.sqrt(12), 200 / 2), 9);
  });
  it("a perfect instrument decides by the limit alone", () => {
    const perfect = { resolution: mm(0), repeatability: mm(0) };
    expect(ask([10], { instrument: perfect })).toMatchObject({ verdict: "in", probability: 1 });
    expect(ask([10.001], { instrument: perfect })).toMatchObject({ verdict: "out", probability: 0 });
  });
  it("an open side never fails", () => {
    expect(ask([4_000], { limits: { min: mm(9) } }).verdict).toBe("in");
    expect(ask([4_000], { limits: { max: mm(10) } }).verdict).toBe("out");
  });
  it("out mirrors in: what is likely within cannot be likely without", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8_000, max: 11_000 }),
        fc.constantFrom(0.01, 0.05, 0.2),
        (value, risk) => {
          const { probability, verdict } = ask([value / 1000], { rule: { kind: "guarded", risk } });
          expect(verdict).toBe(probability >= 1 - risk ? "in" : probability <= risk ? "out" : "unsure");
        },
      ),
    );
  });
});
