import type { Conformance, Rule } from "../conformance/conformance";
import { judge } from "../conformance/conformance";
import { judgementOf } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/runsheet";
import type { Entry, Reading, Recorded } from "./entry";

/** A hold or cure: when it began, for how long, and whether it was ended. */
export interface RunTimer {
  readonly step: string;
  readonly startedAt: string;
  readonly seconds: number;
  readonly stoppedAt: string | null;
}

/** A hold or cure running on some end at the bench. */
export interface BenchTimer extends Pick<RunTimer, "step" | "startedAt" | "seconds"> {
  readonly end: string;
  readonly label: string;
  readonly batch: string | null;
}

/** An end as its entries leave it. */
export interface EndState {
  /** Index of the line being worked. */
  readonly at: number;
  readonly threaded: readonly string[];
  /** Readings not struck out, oldest first. */
  readonly readings: readonly (Reading & { readonly id: string; readonly at: string })[];
  /** Readings that a redo made void: kept on record, no longer judged. */
  readonly voided: EndState["readings"];
  readonly answers: Readonly<Record<string, string>>;
  /** How often each retry rule was used. */
  readonly redone: Readonly<Record<string, number>>;
  /** Steps whose use of tools, consumables and glass is logged for this pass. */
  readonly spent: readonly string[];
  readonly shards: { readonly made: number; readonly binned: number };
  readonly timers: readonly RunTimer[];
  readonly job: string;
  readonly label: string;
  readonly signed: {
    readonly name: string;
    readonly at: string;
    readonly outcome: "kept" | "cut-off";
    readonly missingShards?: string | undefined;
  } | null;
  readonly lastSeq: number;
}

const FRESH: EndState = {
  at: 0,
  threaded: [],
  readings: [],
  voided: [],
  answers: {},
  redone: {},
  spent: [],
  shards: { made: 0, binned: 0 },
  timers: [],
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
    case "redo":
      return redone(next, entry);
    case "shards":
      return {
        ...next,
        spent: entry.step ? logged(state.spent, entry.step) : state.spent,
        shards: {
          made: Math.max(0, state.shards.made + entry.made),
          binned: Math.max(0, state.shards.binned + entry.binned),
        },
      };
    case "use":
      return { ...next, spent: logged(state.spent, entry.step) };
    case "timer":
      return { ...next, timers: timed(state.timers, entry, at) };
    case "sign": {
      const { name, outcome, missingShards } = entry;
      return { ...next, signed: { name, at, outcome, ...(missingShards ? { missingShards } : {}) } };
    }
  }
}

const logged = (spent: readonly string[], step: string): readonly string[] =>
  spent.includes(step) ? spent : [...spent, step];

/** Back at an earlier step: what was read and seen from there on is void, and the rule has been used once more. */
function redone(state: EndState, { rule, to, voids }: Extract<Entry, { kind: "redo" }>): EndState {
  const isVoid = ({ check }: { check: string }) => voids.checks.includes(check);
  return {
    ...state,
    at: to,
    readings: state.readings.filter((reading) => !isVoid(reading)),
    voided: [...state.voided, ...state.readings.filter(isVoid)],
    answers: Object.fromEntries(
      Object.entries(state.answers).filter(([judgement]) => !voids.judgements.includes(judgement)),
    ),
    spent: state.spent.filter((step) => !voids.steps.includes(step)),
    timers: state.timers.filter(({ step }) => !voids.steps.includes(step)),
    redone: { ...state.redone, [rule]: (state.redone[rule] ?? 0) + 1 },
  };
}

function timed(
  timers: readonly RunTimer[],
  { step, action, seconds }: Extract<Entry, { kind: "timer" }>,
  at: string,
): RunTimer[] {
  const others = timers.filter((timer) => timer.step !== step);
  if (action === "start") return [...others, { step, startedAt: at, seconds, stoppedAt: null }];
  const running = timers.find((timer) => timer.step === step);
  return running ? [...others, { ...running, stoppedAt: running.stoppedAt ?? at }] : others;
}

/** Shards that came off and were not seen into the bin. */
export const shardsMissing = ({ shards }: EndState): number => Math.max(0, shards.made - shards.binned);

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
