import type { Conformance, Rule } from "../conformance/conformance";
import { judge } from "../conformance/conformance";
import { judgementOf } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/runsheet";
import type { Reading, Recorded } from "./entry";

/** An end as its entries leave it. */
export interface EndState {
  /** Index of the line being worked. */
  readonly at: number;
  readonly threaded: readonly string[];
  /** Readings not struck out, oldest first. */
  readonly readings: readonly (Reading & { readonly id: string; readonly at: string })[];
  readonly answers: Readonly<Record<string, string>>;
  readonly job: string;
  readonly label: string;
  readonly signed: {
    readonly name: string;
    readonly at: string;
    readonly outcome: "kept" | "cut-off";
  } | null;
  readonly lastSeq: number;
}

const FRESH: EndState = {
  at: 0,
  threaded: [],
  readings: [],
  answers: {},
  job: "",
  label: "",
  signed: null,
  lastSeq: 0,
};

/** Replays an end's entries, in order of their sequence, into where it stands now. */
export function endState(entries: readonly Recorded[]): EndState {
  return entries.reduce(applied, FRESH);
}

/** An end's state with one more entry. */
export function applied(state: EndState, { id, seq, at, entry }: Recorded): EndState {
  const next = { ...state, lastSeq: Math.max(seq, state.lastSeq) };
  switch (entry.kind) {
    case "thread": {
      const others = state.threaded.filter((part) => part !== entry.part);
      return { ...next, threaded: entry.on ? [...others, entry.part] : others };
    }
    case "step":
      return { ...next, at: entry.to };
    case "reading":
      return { ...next, readings: [...state.readings, { ...entry, id, at }] };
    case "strike":
      return { ...next, readings: state.readings.filter((reading) => reading.id !== entry.reading) };
    case "answer":
      return { ...next, answers: { ...state.answers, [entry.judgement]: entry.answer } };
    case "label":
      return { ...next, job: entry.job, label: entry.label };
    case "sign":
      return { ...next, signed: { name: entry.name, at, outcome: entry.outcome } };
  }
}

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

/** A verdict as it is kept with a signed end: lengths in micrometres. */
export interface KeptVerdict extends Conformance {
  readonly check: string;
}

/** The verdict of every length that has one, to be kept when the end is signed off. */
export const keptVerdicts = (sheet: RunSheet, state: EndState, rule: Rule): KeptVerdict[] =>
  standings(sheet, state, rule).flatMap(({ check, judged }) =>
    judged ? [{ check: check.id, ...judged }] : [],
  );

export type Result = "in" | "out" | "unsure" | "unmeasured" | "cut-off";

/** What an end comes to: cut off, else the worst of its lengths and of what was seen. */
export function resultOf(sheet: RunSheet, state: EndState, rule: Rule): Result {
  if (state.signed?.outcome === "cut-off") return "cut-off";
  const verdicts = standings(sheet, state, rule).map(({ judged }) => judged?.verdict ?? null);
  const looks = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .map((judgement) => {
      const answer = judgement.answers.find(({ id }) => id === state.answers[judgement.id]);
      return answer ? answer.good : null;
    });
  if (verdicts.includes("out") || looks.includes(false)) return "out";
  if (verdicts.includes("unsure")) return "unsure";
  return verdicts.includes(null) || looks.includes(null) ? "unmeasured" : "in";
}
