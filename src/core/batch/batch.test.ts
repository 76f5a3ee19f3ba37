import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { nextInBatch } from "./next";
import { planBatch, scheduleIn } from "./schedule";
import { handsOn, type Stage, stagesOf } from "./stages";

const stage = (hands: number, wait = 0, more: Partial<Stage> = {}): Stage => ({
  from: 0,
  to: 0,
  title: "",
  hands,
  wait,
  within: null,
  pot: null,
  ...more,
});

describe("stages of one end", () => {
  // Check value 16: common practice, no source.
  const timed = (seconds: { min: number; max: number }, kind: "cure" | "heat" | "cool" | "clean") => ({
    id: kind,
    kind,
    title: kind,
    seconds,
  });
  const sheet = (...steps: ReturnType<typeof timed>[]) =>
    compile(procedureOf([["jacket", "end", "jacket", 30, 0, 0]], { steps }));
  it("16: a cure of 30 to 60 frees the hands for the least of it; so do a shrink of 30 and 10 of cooling", () => {
    const waits = stagesOf(
      sheet(
        timed({ min: 30, max: 60 }, "cure"),
        timed({ min: 30, max: 30 }, "heat"),
        timed({ min: 10, max: 10 }, "cool"),
      ),
    );
    expect(waits.map(({ wait }) => wait)).toEqual([30, 30, 10]);
  });
  it("16: a hold of 15 in the hand is hands-on time", () => {
    const [line] = sheet(timed({ min: 15, max: 15 }, "clean")).lines.slice(-1);
    if (!line) throw new Error("the sheet has lines");
    expect(handsOn(line.step) - handsOn({ ...line.step, seconds: undefined })).toBe(15);
  });
});

describe("a schedule", () => {
  it("of one end is its hands and waits in a row", () => {
    expect(scheduleIn([stage(20, 60), stage(10)], 1, 1)).toMatchObject({ total: 90, idle: 60 });
  });
  it("begins the next end while one cures", () => {
    const { total, idle } = planBatch([stage(20, 60), stage(10)], 4);
    // One after the other would take 360; the last is begun at 60, ready at 140, done at 150.
    expect({ total, idle }).toEqual({ total: 150, idle: 30 });
  });
  it("keeps what must be done in time together on one end", () => {
    const stages = [stage(10, 0, { within: { seconds: 40, until: 1, of: "primer" } }), stage(25)];
    const { slots, spare } = planBatch(stages, 3);
    expect(slots.map(({ end }) => end)).toEqual([0, 0, 1, 1, 2, 2]);
    expect(spare).toBe(5);
  });
  it("says that time runs out when the work itself takes longer", () => {
    expect(planBatch([stage(50, 0, { within: { seconds: 40, until: 0, of: "primer" } })], 2).spare).toBe(-10);
  });
  it("mixes anew when the pot is over before the hands are done", () => {
    const { pots } = planBatch([stage(100, 0, { pot: { seconds: 250, of: "adhesive" } })], 5);
    expect(pots.map(({ ends }) => ends)).toEqual([[0, 1], [2, 3], [4]]);
  });
  it("does every stage of every end once, in order, with one pair of hands, and never before it is ready", () => {
    const stages = fc.array(
      fc.record({ hands: fc.integer({ min: 1, max: 60 }), wait: fc.integer({ min: 0, max: 200 }) }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(
        stages,
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        (list, ends, group) => {
          const { slots, total } = scheduleIn(
            list.map(({ hands, wait }) => stage(hands, wait)),
            ends,
            group,
          );
          for (let end = 0; end < ends; end++) {
            const mine = slots.filter((slot) => slot.end === end);
            expect(mine.map((slot) => slot.stage)).toEqual(list.map((_, i) => i));
            mine.slice(1).forEach((slot, i) => {
              expect(slot.handsFrom).toBeGreaterThanOrEqual(mine[i]?.readyAt as number);
            });
          }
          slots.slice(1).forEach((slot, i) => {
            expect(slot.handsFrom).toBeGreaterThanOrEqual(slots[i]?.handsTo as number);
          });
          expect(total).toBe(Math.max(...slots.map(({ readyAt }) => readyAt)));
        },
      ),
    );
  });
});

describe("which end comes next", () => {
  const stages = [
    stage(10, 60, { from: 0, to: 2 }),
    stage(10, 0, { from: 3, to: 3, within: { seconds: 60, until: 2, of: "primer" } }),
    stage(10, 0, { from: 4, to: 5 }),
    stage(10, 0, { from: 6, to: 8 }),
  ];
  const end = (at: number, readyAt = 0, done = false) => ({ at, readyAt, done });
  const next = (ends: ReturnType<typeof end>[], mode: "across" | "through", current: number, group = 12) =>
    nextInBatch(stages, ends, { mode, group, current }, 1_000);
  it("across: the one furthest behind", () => {
    expect(next([end(1), end(0), end(0)], "across", 0)).toBe(1);
  });
  it("across in groups: the first group is done before the second is begun", () => {
    expect(next([end(7), end(7), end(0)], "across", 0, 2)).toBe(0);
  });
  it("through: the one in hand, until it waits", () => {
    expect(next([end(1), end(0)], "through", 0)).toBe(0);
    expect(next([end(3, 5_000), end(0)], "through", 0)).toBe(1);
  });
  it("what must be done in time is finished before anything else", () => {
    expect(next([end(4), end(0)], "across", 0)).toBe(0);
    expect(next([end(0), end(4)], "across", 0)).toBe(1);
  });
  it("when all wait, the first to be ready; when all are done, none", () => {
    expect(next([end(3, 9_000), end(3, 4_000)], "across", 0)).toBe(1);
    expect(next([end(9, 0, true)], "across", 0)).toBeNull();
  });
});
