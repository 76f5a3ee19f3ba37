import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { judge } from "../conformance/conformance";
import { um } from "../length/length";
import { CHECK_KINDS, questionsOf } from "./questions";
import { checkStanding, isOfShift } from "./standing";
import { biasAllowed, judgeToolCheck } from "./tool-check";

const NO_READING = { gauge: null, torque: null };
const answers = (given: Record<string, string>) => ({ answers: given, ...NO_READING });
const CALLIPER = { resolution: um(10), repeatability: um(60) };
const onGauge = (...readings: number[]) => ({
  answers: {},
  torque: null,
  gauge: { gauge: um(40_000), readings: readings.map(um) },
});

describe("a check of a tool", () => {
  it("is good once every question has a good answer, and open until then", () => {
    expect(judgeToolCheck("cleaver", answers({ place: "as-counted" }), null)).toMatchObject({
      good: false,
      open: ["cleave"],
    });
    for (const kind of CHECK_KINDS.filter((each) => questionsOf(each).length > 0)) {
      const good = Object.fromEntries(
        questionsOf(kind).map(({ id, answers: all }) => [id, all.find((each) => each.good)?.id ?? ""]),
      );
      expect(judgeToolCheck(kind, answers(good), null)).toEqual({ good: true, open: [], bias: null });
    }
  });
  it("fails with its first bad answer, whatever is left to ask; an answer there is none of leaves its question open", () => {
    expect(judgeToolCheck("cleaver", answers({ place: "other" }), null)).toMatchObject({
      good: false,
      open: [],
    });
    expect(judgeToolCheck("arc", answers({ arc: "perhaps" }), null).open).toEqual(["arc"]);
  });
  it("of a calliper is its bias against the gauge: a step and twice its repeatability is allowed, limit included", () => {
    expect(biasAllowed(CALLIPER)).toBe(130);
    expect(judgeToolCheck("length", onGauge(40_130), CALLIPER)).toEqual({ good: true, open: [], bias: 130 });
    expect(judgeToolCheck("length", onGauge(39_869), CALLIPER)).toEqual({
      good: false,
      open: [],
      bias: -131,
    });
    expect(judgeToolCheck("length", onGauge(40_010, 40_030), CALLIPER).bias).toBe(20);
  });
  it("of a torque driver allows 6 % of what is set, limit included (ISO 6789-1, from memory)", () => {
    const torque = (shown: number) => ({ answers: {}, gauge: null, torque: { set: 1.2, shown } });
    expect(judgeToolCheck("torque", torque(1.272), null).good).toBe(true);
    expect(judgeToolCheck("torque", torque(1.274), null).good).toBe(false);
    expect(judgeToolCheck("torque", torque(1.127), null).good).toBe(false);
  });
});

describe("a bias that is known and not corrected", () => {
  it("goes into the uncertainty in quadrature, and makes no verdict surer", () => {
    const judged = (bias?: number) =>
      judge({
        limits: { min: um(9_000), max: um(10_000) },
        readings: [um(9_700)],
        instrument: { ...CALLIPER, ...(bias !== undefined && { bias: um(bias) }) },
        rule: { kind: "guarded", risk: 0.05 },
      });
    const plain = judged();
    expect(judged(80).u).toBeCloseTo(Math.hypot(plain.u, 80), 9);
    expect(judged(-80).u).toBe(judged(80).u);
    expect(judged(400).probability).toBeLessThan(plain.probability);
    expect([plain.verdict, judged(400).verdict]).toEqual(["in", "unsure"]);
  });
});

const T = (minute: number) => new Date(Date.UTC(2026, 10, 25, 7, minute)).toISOString();

describe("work beside the checks of its tool", () => {
  it("is named by a failed check if it was made since the last good one, and by none further back", () => {
    const checks = [
      { at: T(0), good: true },
      { at: T(60), good: true },
      { at: T(120), good: false },
      { at: T(130), good: true },
    ];
    const standing = (from: number, to: number) =>
      checkStanding(checks, { from: T(from), to: T(to) }).standing;
    expect(standing(10, 20)).toBe("good");
    expect(standing(70, 80)).toBe("failed");
    // Work that went on after the good check came before the failed one.
    expect(standing(55, 65)).toBe("failed");
    expect(standing(121, 125)).toBe("failed");
    expect(standing(140, 150)).toBe("good");
    expect(checkStanding(checks, { from: "2026-11-24", to: "2026-11-24" })).toMatchObject({
      standing: "unchecked",
      before: null,
    });
  });
  it("is failed exactly where a failed check has no good one between it and the work (any history, held beside every pair)", () => {
    const histories = fc.array(fc.record({ minute: fc.integer({ min: 0, max: 500 }), good: fc.boolean() }), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(
        histories,
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 0, max: 60 }),
        (all, from, length) => {
          const checks = [...new Map(all.map(({ minute, good }) => [minute, good]))]
            .sort(([a], [b]) => a - b)
            .map(([minute, good]) => ({ minute, at: T(minute), good }));
          const to = from + length;
          const isClear = (a: number, b: number) =>
            !checks.some(({ minute, good }) => good && minute > a && minute < b);
          const expected = checks.some(
            ({ minute, good }) =>
              !good &&
              ((minute > from && minute <= to) ||
                (minute <= from && !checks.some((c) => c.minute > minute && c.minute <= from)) ||
                (minute > to &&
                  !checks.some((c) => c.minute > to && c.minute < minute) &&
                  isClear(to, minute))),
          );
          const { standing } = checkStanding(checks, { from: T(from), to: T(to) });
          expect(standing === "failed").toBe(expected);
        },
      ),
    );
  });
  it("is of a shift for twelve hours", () => {
    expect(isOfShift(T(0), new Date(T(719)))).toBe(true);
    expect(isOfShift(T(0), new Date(T(720)))).toBe(false);
  });
});
