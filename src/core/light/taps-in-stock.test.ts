import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { problemOf } from "../problem/check";
import { lightAlong } from "./light";
import { chooseTapsInStock, zStockedTapsInput } from "./taps-in-stock";

const tenth = (min: number, max: number) => fc.integer({ min: min * 10, max: max * 10 }).map((n) => n / 10);
const joint = fc.record({
  km: tenth(0, 3),
  splices: fc.nat({ max: 3 }),
  connectors: fc.nat({ max: 2 }),
  split: fc.constantFrom(1, 2, 4),
  splitExcessDb: tenth(0, 1),
  dropDb: tenth(0, 2),
});
const tap = fc.record({
  tapPct: fc.constantFrom(1, 5, 10, 20, 50),
  excessDb: tenth(0, 1),
  count: fc.constantFrom(null, 1, 2, 4),
});
const FED = { launchDbm: 3, fibreDbPerKm: 0.25, spliceDb: 0.1, connectorDb: 0.3, sensitivityDbm: -26 };

describe("taps for a feeder, of those in stock", () => {
  it("are the best of every choice the counts allow: tried every one (property)", async () => {
    let limited = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.array(joint, { minLength: 1, maxLength: 4 }),
        fc.array(tap, { minLength: 1, maxLength: 4 }),
        async (joints, stock) => {
          const choices = joints
            .reduce<number[][]>(
              (lists) => lists.flatMap((list) => stock.map((_, place) => [...list, place])),
              [[]],
            )
            .filter((places) =>
              stock.every(
                ({ count }, place) => count === null || places.filter((at) => at === place).length <= count,
              ),
            );
          const input = zStockedTapsInput.parse({ ...FED, joints, stock, margin: 3 });
          if (choices.length === 0) {
            limited++;
            const refused = await chooseTapsInStock(input).catch((error: unknown) => problemOf(error)?.code);
            expect(refused).toBe("does-not-fit");
            return;
          }
          if (choices.length < stock.length ** joints.length) limited++;
          const rows = choices.map((places) => {
            const { taps } = lightAlong({
              ...FED,
              taps: joints.map((of, i) => {
                const { tapPct, excessDb } = stock[places[i] ?? 0] ?? { tapPct: 1, excessDb: 0 };
                return { ...of, tapPct, excessDb };
              }),
            });
            return {
              least: Math.min(...taps.map(({ margin }) => margin)),
              through: taps.at(-1)?.through ?? 0,
            };
          });
          const least = Math.max(...rows.map((row) => row.least));
          const through = Math.max(
            ...rows.filter((row) => row.least >= least - 1e-5).map((row) => row.through),
          );
          const answer = await chooseTapsInStock(input);
          expect(answer.least).toBeCloseTo(least, 4);
          expect(answer.through).toBeCloseTo(through, 4);
          expect(answer.possible).toBe(answer.least >= 3 - 1e-6);
          for (const { tapPct, count } of stock)
            if (count !== null && stock.filter((other) => other.tapPct === tapPct).length === 1)
              expect(answer.choice.filter((of) => of === tapPct).length).toBeLessThanOrEqual(count);
        },
      ),
      { numRuns: 60 },
    );
    expect(limited).toBeGreaterThan(3);
  });
});
