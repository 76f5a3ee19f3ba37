import { type Conformance, judge, type Rule } from "../conformance/conformance";
import type { Reading } from "../event/event";
import type { KeptVerdict, Result } from "../event/judged";
import { judgementOf } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/runsheet";
import type { EndState } from "./state";

/** One length's standing: its readings judged, or null when it has none yet. */
export interface CheckStanding {
  readonly check: Check;
  readonly readings: EndState["readings"];
  readonly judged: Conformance | null;
}

/** Judges the readings of one check with the error of the least certain instrument among them. */
export function judgeCheck(
  check: Check,
  readings: readonly Pick<Reading, "value" | "instrument">[],
  rule: Rule,
): Conformance | null {
  if (readings.length === 0) return null;
  const coarsest = readings
    .map(({ instrument }) => instrument)
    .reduce((a, b) =>
      b.resolution ** 2 / 12 + b.repeatability ** 2 > a.resolution ** 2 / 12 + a.repeatability ** 2 ? b : a,
    );
  return judge({
    limits: { min: check.min, max: check.max },
    readings: readings.map(({ value }) => value),
    instrument: { resolution: coarsest.resolution, repeatability: coarsest.repeatability },
    rule,
  });
}

/** Every length of the sheet with its readings and verdict, in the order of work. */
export function standings(sheet: RunSheet, state: EndState, rule: Rule): CheckStanding[] {
  return sheet.checks.map((check) => {
    const readings = state.readings.filter((reading) => reading.check === check.id);
    return { check, readings, judged: judgeCheck(check, readings, rule) };
  });
}

/** The verdict of every length that has one, to be kept when the end is signed off. */
export const keptVerdicts = (sheet: RunSheet, state: EndState, rule: Rule): KeptVerdict[] =>
  standings(sheet, state, rule).flatMap(({ check, judged }) =>
    judged ? [{ check: check.id, ...judged }] : [],
  );

/** What an end comes to: cut off or discarded, else the worst of its lengths, of what was asked and of what was seen and not redone. */
export function resultOf(sheet: RunSheet, state: EndState, rule: Rule): Result {
  if (state.signed && state.signed.outcome !== "kept") return state.signed.outcome;
  const verdicts = standings(sheet, state, rule).map(({ judged }) => judged?.verdict ?? null);
  const looks = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .map((judgement) => {
      const answer = judgement.answers.find(({ id }) => id === state.answers[judgement.id]);
      return answer ? answer.good : null;
    });
  if (verdicts.includes("out") || looks.includes(false) || state.faults.length > 0) return "out";
  if (verdicts.includes("unsure")) return "unsure";
  return verdicts.includes(null) || looks.includes(null) ? "unmeasured" : "in";
}
