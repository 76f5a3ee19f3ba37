import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { check, problemOf } from "../problem/check";
import {
  jointLights,
  leastMargin,
  NEW_FEEDER,
  tapChoices,
  tapsToBring,
  withBestTaps,
  withJoint,
  withTap,
  zFeederPlan,
} from "./feeder-plan";

const [typical] = NEW_FEEDER.joints;
if (!typical) throw new Error("a joint");
const feederOf = (taps: readonly number[], more: object = {}) => ({
  ...NEW_FEEDER,
  ...more,
  joints: taps.map((tapPct) => ({ ...typical, tapPct })),
});
const stock = NEW_FEEDER.stock.map(({ tapPct }) => tapPct);
const taps = fc.array(fc.constantFrom(...stock), { minLength: 1, maxLength: 5 });

describe("a feeder as it is planned", () => {
  it("has a drop of 20.0 dB behind an ideal tap of 1 : 99, and 0.044 dB less light behind it (check value 20)", () => {
    const ideal = {
      fibreDbPerKm: 0,
      spliceDb: 0,
      connectorDb: 0,
      launchDbm: 0,
      stock: [{ tapPct: 1, excessDb: 0 }],
    };
    const [light] = jointLights(feederOf([1], ideal));
    expect(light?.drop).toBeCloseTo(-20, 6);
    expect(light?.through).toBeCloseTo(-0.0436, 4);
  });
  it("adds up its metres, and says where a drop is short or has too much", () => {
    const lights = jointLights(feederOf([50, 5], { mostDbm: -3, margin: 12 }));
    expect(lights.map(({ along }) => along)).toEqual([100, 200]);
    expect(lights.map(({ trouble }) => trouble)).toEqual(["too-much", "short"]);
    expect(jointLights(feederOf([50], { mostDbm: null }))[0]?.trouble).toBeNull();
  });
  it("gives by its best taps the greatest least margin of all choices: tried every one (property)", () => {
    const combinations = (count: number): number[][] =>
      count === 0 ? [[]] : combinations(count - 1).flatMap((row) => stock.map((tap) => [...row, tap]));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 0, max: 9_000 }), (count, metres) => {
        const plan = feederOf(Array.from({ length: count }, () => 10));
        const long = { ...plan, joints: plan.joints.map((joint) => ({ ...joint, metres })) };
        const least = (tapsHere: readonly number[]) =>
          leastMargin(jointLights(tapsHere.reduce((feeder, tap, at) => withTap(feeder, at, tap), long)))
            .margin;
        const best = Math.max(...combinations(count).map(least));
        expect(leastMargin(jointLights(withBestTaps(long))).margin).toBeCloseTo(best, 9);
      }),
      { numRuns: 25 },
    );
  });
  it("tells of each tap what it gives and leaves, as setting it does (property)", () => {
    fc.assert(
      fc.property(taps, fc.nat(), (row, place) => {
        const plan = feederOf(row);
        const at = place % row.length;
        for (const { tapPct, own, after, all } of tapChoices(plan, at)) {
          const lights = jointLights(withTap(plan, at, tapPct));
          expect(own).toBe(lights[at]?.margin);
          expect(all).toBe(Math.min(...lights.map(({ margin }) => margin)));
          expect(after).toBe(
            at === row.length - 1 ? null : Math.min(...lights.slice(at + 1).map(({ margin }) => margin)),
          );
        }
      }),
    );
  });
  it("a joint more never gives the drops before it less, and every tap there is counted to be brought", () => {
    fc.assert(
      fc.property(taps, (row) => {
        const plan = feederOf(row);
        const before = jointLights(plan).map(({ margin }) => margin);
        expect(
          jointLights(withJoint(plan))
            .slice(0, row.length)
            .map(({ margin }) => margin),
        ).toEqual(before);
        expect(tapsToBring(plan).reduce((sum, { count }) => sum + count, 0)).toBe(row.length);
      }),
    );
  });
  it("comes back from its text as it was, and what is no feeder is refused, saying why", () => {
    expect(check(zFeederPlan, JSON.parse(JSON.stringify(NEW_FEEDER)))).toEqual(NEW_FEEDER);
    const refusal = (plan: unknown) => {
      try {
        check(zFeederPlan, plan);
        return null;
      } catch (error) {
        return problemOf(error)?.message;
      }
    };
    expect(refusal({ ...NEW_FEEDER, joints: [{ ...typical, metres: -1 }] })).toMatch(
      /Metres must be 0 or more/,
    );
    expect(refusal({ ...NEW_FEEDER, joints: [{ ...typical, drops: 0 }] })).toMatch(/Enter at least 1 drop/);
  });
});
