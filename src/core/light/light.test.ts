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
  it("is what powers multiplied say, without a decibel (an independent sum; property)", () => {
    const row = fc.array(fc.tuple(joint, tap), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(feeder, row, (fed, joints) => {
        const { taps } = lightAlong({ ...fed, taps: joints.map(([of, at]) => ({ ...of, ...at })) });
        const share = (dB: number) => 10 ** (-dB / 10);
        let milliwatts = 10 ** (fed.launchDbm / 10);
        joints.forEach(([of, at], i) => {
          const way = [of.km * fed.fibreDbPerKm, of.splices * fed.spliceDb, of.connectors * fed.connectorDb];
          for (const dB of [...way, at.excessDb]) milliwatts *= share(dB);
          const split = of.split === 1 ? 1 : share(of.splitExcessDb) / of.split;
          const drop = milliwatts * (at.tapPct / 100) * split;
          expect(taps[i]?.drop).toBeCloseTo(10 * Math.log10(drop), 8);
          milliwatts *= 1 - at.tapPct / 100;
        });
        expect(taps.at(-1)?.through).toBeCloseTo(10 * Math.log10(milliwatts), 8);
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
  it("of a reference of 4.8 and 4.8 to 4.9 with the mated pair is 0 to 0.1 dB: good (check value 19)", () => {
    const exact = { meter: { resolution: 0.1, repeatability: 0.02 }, mating: { repeatability: 0.05 } };
    const losses = [-4.8, -4.9].map((reading) =>
      judgeLoss({ ...exact, reference: [-4.8], reading: [reading], limit: 0.75, risk: 0.05 }),
    );
    expect(losses.map(({ loss }) => Math.round(loss * 1_000) / 1_000)).toEqual([0, 0.1]);
    expect(losses.map(({ verdict, gain }) => [verdict, gain])).toEqual([
      ["in", false],
      ["in", false],
    ]);
  });
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
