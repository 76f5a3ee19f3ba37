import { type Conformance, instrumentUncertainty, judge, type Rule } from "../conformance/conformance";
import type { Reading } from "../event/event";
import type { KeptVerdict, Result } from "../event/judged";
import { um } from "../length/length";
import { gradeFace } from "../light/end-face";
import { judgementOf, lacksLight } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/document";
import type { EndState } from "./end-state";
import { lightStandings } from "./light";

/** What the other side of an opening has over its own figure, or is short of it: it counts on this side. */
export interface OtherSide {
  readonly leg: string;
  /** Micrometres, not rounded; negative where it is short. */
  readonly over: number;
  /** Standard uncertainty of that, micrometres. */
  readonly u: number;
}

/** One length's standing: its readings judged, or null when it has none yet. */
export interface CheckStanding {
  /** The length as it is asked for now: with what the other side has over, where both make it together. */
  readonly check: Check;
  readonly readings: EndState["readings"];
  readonly judged: Conformance | null;
  readonly other: OtherSide | null;
}

type Read = Pick<Reading, "value" | "instrument">;

/**
 * Judges the readings of one check with the error of the least certain instrument among them.
 * @example judgeCheck(sheet.checks[0], [], rule) // null
 */
export function judgeCheck(
  check: Check,
  readings: readonly Read[],
  rule: Rule,
  other: OtherSide | null = null,
): Conformance | null {
  if (readings.length === 0) return null;
  const coarsest = readings
    .map(({ instrument }) => instrument)
    .reduce((a, b) => (instrumentUncertainty(b, 1) > instrumentUncertainty(a, 1) ? b : a));
  return judge(
    {
      limits: { min: check.min, max: check.max },
      readings: readings.map(({ value }) => value),
      instrument: coarsest,
      rule,
    },
    other?.u,
  );
}

/**
 * One length with its readings and verdict. Where both sides of an opening make it together, its limits are those of the
 * whole less what the other side has: as read, else as its rework left it; not known, each side is judged by itself.
 */
export function standingOf(sheet: RunSheet, state: EndState, rule: Rule, stated: Check): CheckStanding {
  const readings = state.readings.filter((reading) => reading.check === stated.id);
  const other = stated.joint ? otherSide(sheet, state, rule, stated) : null;
  const check = other ? withOther(stated, other) : stated;
  return { check, readings, judged: judgeCheck(check, readings, rule, other), other };
}

function otherSide(
  { checks }: RunSheet,
  { readings, places }: EndState,
  rule: Rule,
  { dimension, leg }: Check,
): OtherSide | null {
  const there = checks.find((check) => check.dimension === dimension && check.leg !== leg);
  if (!there) return null;
  const own = readings.filter((reading) => reading.check === there.id);
  const read = judgeCheck(there, own, rule);
  if (read) return { leg: there.leg, over: read.mean - there.nominal, u: read.u };
  const [from, to] = [places[there.leg]?.[there.from], places[there.leg]?.[there.to]];
  return from === undefined || to === undefined
    ? null
    : { leg: there.leg, over: to - from - there.nominal, u: 0 };
}

/** Together they have the tolerance of both: this side may be short by its own and the other's, and by what that has over. */
function withOther(check: Check, { over }: OtherSide): Check {
  const { nominal, min, max } = check;
  const counts = Math.round(over);
  return {
    ...check,
    min: min === null ? null : um(2 * min - nominal - counts),
    max: max === null ? null : um(2 * max - nominal - counts),
  };
}

/**
 * Every length of the sheet with its readings and verdict, in the order of work.
 * @example standings(sheet, fresh, rule).map(({ check }) => check.name)
 * // ["cleave length", "buffer beyond the jacket", "jacket edge to cleaved end"]
 */
export const standings = (sheet: RunSheet, state: EndState, rule: Rule): CheckStanding[] =>
  sheet.checks.map((check) => standingOf(sheet, state, rule, check));

/** The verdict of every length that has one, to be kept when the end is signed off. */
export const keptVerdicts = (sheet: RunSheet, state: EndState, rule: Rule): KeptVerdict[] =>
  standings(sheet, state, rule).flatMap(({ check, judged }) =>
    judged ? [{ check: check.id, ...judged }] : [],
  );

/**
 * What an end comes to: cut off or discarded, else the worst of its lengths, of what was asked and of what was seen and not redone.
 * @example resultOf(sheet, fresh, rule) // "unmeasured"
 */
export function resultOf(sheet: RunSheet, state: EndState, rule: Rule): Result {
  if (state.signed && state.signed.outcome !== "kept") return state.signed.outcome;
  const verdicts = standings(sheet, state, rule).map(({ judged }) => judged?.verdict ?? null);
  const looks = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .map((judgement) => {
      const answer = judgement.answers.find(({ id }) => id === state.answers[judgement.id]);
      return answer ? answer.good : null;
    });
  const isUnread = sheet.lines.some(({ step }) =>
    lacksLight(step, state.answers[judgementOf(step)?.id ?? ""], state.light.length),
  );
  const light = lightStandings(state, rule).map(({ verdict }) => verdict);
  const face = state.faces.at(-1);
  if (light.includes("out") || (face && !gradeFace(face).passes)) return "out";
  if (verdicts.includes("out") || looks.includes(false) || state.faults.length > 0) return "out";
  if (verdicts.includes("unsure") || light.includes("unsure")) return "unsure";
  return isUnread || verdicts.includes(null) || looks.includes(null) ? "unmeasured" : "in";
}
