import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lightAlong } from "./light";
import { judgeLoss } from "./loss";
import { chooseTaps } from "./taps";

const tenth = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((n) => n / 10);

const joint = fc.record({
  km: tenth(0, 3),
  splices: fc.nat({ max: 3 }),
  connectors: fc.nat({ max: 2 }),
  split: fc.constantFrom(1, 1, 2, 4, 8),
  splitExcessDb: tenth(0, 1),
});
const tap = fc.record({ tapPct: fc.constantFrom(1, 2, 5, 10, 20, 50), excessDb: tenth(0, 1) });
const feeder = fc.record({
  launchDbm: tenth(-3, 6),
  fibreDbPerKm: fc.constantFrom(0.22, 0.35),
  spliceDb: fc.constantFrom(0.05, 0.1),
  connectorDb: fc.constantFrom(0.2, 0.3),
  sensitivityDbm: tenth(-30, -24),
});

describe("light along a feeder", () => {
  it("is neither gained nor lost at a tap without excess: drop and through add up to what came", () => {
    fc.assert(
      fc.property(feeder, tap, (fed, { tapPct }) => {
        const plain = { km: 0, splices: 0, connectors: 0, split: 1, splitExcessDb: 0 };
        const [behind] = lightAlong({ ...fed, taps: [{ ...plain, tapPct, excessDb: 0 }] }).taps;
        const mw = (dbm: number) => 10 ** (dbm / 10);
        expect(mw(behind?.drop ?? 0) + mw(behind?.through ?? 0)).toBeCloseTo(mw(fed.launchDbm), 9);
      }),
    );
  });
  it("takes a splitter's excess only where there is a splitter", () => {
    const fed = { launchDbm: 0, fibreDbPerKm: 0.35, spliceDb: 0.1, connectorDb: 0.3, sensitivityDbm: -28 };
    const at = (split: number) =>
      lightAlong({
        ...fed,
        taps: [{ km: 0, splices: 0, connectors: 0, tapPct: 10, excessDb: 0, split, splitExcessDb: 1 }],
      }).taps[0]?.drop;
    expect(at(1)).toBeCloseTo(-10, 9);
    expect(at(2)).toBeCloseTo(-10 - 10 * Math.log10(2) - 1, 9);
  });
});

describe("taps for a feeder", () => {
  it("are the best of every choice there is", () => {
    fc.assert(
      fc.property(
        feeder,
        fc.array(joint, { minLength: 1, maxLength: 4 }),
        fc.array(tap, { minLength: 1, maxLength: 4 }),
        (fed, joints, stock) => {
          const choices = joints.reduce<number[][]>(
            (lists) => lists.flatMap((list) => stock.map((_, place) => [...list, place])),
            [[]],
          );
          const rows = choices.map((places) => {
            const { taps } = lightAlong({
              ...fed,
              taps: joints.map((of, i) => {
                const { tapPct, excessDb } = stock[places[i] ?? 0] ?? { tapPct: 1, excessDb: 0 };
                return { ...of, tapPct, excessDb };
              }),
            });
            return {
              places,
              least: Math.min(...taps.map(({ margin }) => margin)),
              through: taps.at(-1)?.through ?? 0,
            };
          });
          const least = Math.max(...rows.map((row) => row.least));
          const keeping = rows.filter((row) => row.least >= least - 1e-9);
          const through = Math.max(...keeping.map((row) => row.through));
          // Choices come in the stock's order.
          const [first] = keeping.filter((row) => row.through >= through - 1e-9);
          const answer = chooseTaps({ ...fed, joints, stock, margin: least - 1 });
          expect(answer.least).toBeCloseTo(least, 8);
          expect(answer.through).toBeCloseTo(first?.through ?? 0, 8);
          expect(answer.choice).toEqual(first?.places.map((place) => stock[place]?.tapPct));
          expect(answer.possible).toBe(true);
          expect(chooseTaps({ ...fed, joints, stock, margin: least + 1 }).possible).toBe(false);
        },
      ),
    );
  });
});

describe("a loss by readings", () => {
  const meter = { resolution: 0.01, repeatability: 0.02 };
  const base = { meter, mating: { repeatability: 0.05 }, limit: 0.3, risk: 0.05 };
  it("is surer by more matings, and never surer than the meter's rounding leaves it", () => {
    const u = (n: number) =>
      judgeLoss({ ...base, reference: Array(n).fill(-20), reading: Array(n).fill(-20.2) }).u;
    expect(u(4)).toBeLessThan(u(1));
    expect(u(10_000)).toBeGreaterThan(Math.sqrt((2 * 0.01 ** 2) / 12));
  });
  it("at the limit itself is in where nothing is uncertain, and unsure where something is", () => {
    const exact = { resolution: 0, repeatability: 0 };
    const at = { reference: [-20], reading: [-20.3] };
    expect(judgeLoss({ ...base, ...at, meter: exact, mating: { repeatability: 0 } }).verdict).toBe("in");
    expect(judgeLoss({ ...base, ...at }).verdict).toBe("unsure");
  });
  it("brighter than its reference by more than noise tells of a stale reference, by less does not", () => {
    const gain = (reading: number) => judgeLoss({ ...base, reference: [-20], reading: [reading] }).gain;
    expect([gain(-19.9), gain(-19)]).toEqual([false, true]);
  });
});
