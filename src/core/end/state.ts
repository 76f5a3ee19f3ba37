import type { Conformance, Rule } from "../conformance/conformance";
import { judge } from "../conformance/conformance";
import { type Length, um, ZERO } from "../length/length";
import { judgementOf } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/runsheet";
import type { EndOutcome, Entry, Fault, Reading, Recorded, ReworkTaken } from "./entry";

/** A hold or cure: when it began, for how long, and whether it was ended. */
export interface RunTimer {
  readonly step: string;
  /** A clock that something must be done by, not one to wait for. */
  readonly clock?: true | undefined;
  readonly startedAt: string;
  readonly seconds: number;
  readonly stoppedAt: string | null;
}

/** A hold or cure running on some end at the bench. */
export interface BenchTimer extends Pick<RunTimer, "step" | "clock" | "startedAt" | "seconds"> {
  readonly end: string;
  readonly label: string;
  readonly batch: string | null;
}

/** Something seen on a feature that must be made again whatever it measures. */
export interface SeenFault {
  readonly leg: string;
  readonly feature: string;
  readonly what: Fault;
  readonly at: Length | null;
}

/** A rework being done: which lines, what they make anew, and where it comes back to. */
export type Mend = Pick<ReworkTaken, "leg" | "plan" | "steps" | "back" | "moves">;

/** An end as its entries leave it. */
export interface EndState {
  /** Index of the line being worked. */
  readonly at: number;
  /** Index of the furthest line reached since the end was last begun anew: what came before it is made. */
  readonly reached: number;
  /** When each line was last left forward, by its index: what must be done in time counts from there. */
  readonly leftAt: Readonly<Record<number, string>>;
  readonly threaded: readonly string[];
  /** Readings not struck out, oldest first. */
  readonly readings: readonly (Reading & { readonly id: string; readonly at: string })[];
  /** Readings that a redo made void: kept on record, no longer judged. */
  readonly voided: EndState["readings"];
  readonly answers: Readonly<Record<string, string>>;
  /** How often each retry rule was used; on a cord of several legs, leg by leg (`retryKey`). */
  readonly redone: Readonly<Record<string, number>>;
  /** Steps whose use of tools, consumables and glass is logged for this pass. */
  readonly spent: readonly string[];
  readonly shards: { readonly made: number; readonly binned: number };
  readonly timers: readonly RunTimer[];
  readonly faults: readonly SeenFault[];
  readonly mend: Mend | null;
  /** The redo or rework taken last and where the end stood before it, while nothing has been done since. */
  readonly taken: { readonly entry: string; readonly before: EndState } | null;
  /** Places that differ from the sheet's since something was made anew, by leg. */
  readonly places: Readonly<Record<string, Readonly<Record<string, Length>>>>;
  /** Cable used up beyond the sheet's by what was redone. */
  readonly lost: Length;
  /** Cable left behind this end, where that was said. */
  readonly spare: Length | null;
  readonly reworks: number;
  readonly photos: readonly Extract<Entry, { kind: "photo" }>[];
  readonly job: string;
  readonly label: string;
  readonly signed: {
    readonly name: string;
    readonly at: string;
    readonly outcome: EndOutcome;
    readonly missingShards?: string | undefined;
  } | null;
  readonly lastSeq: number;
}

const FRESH: EndState = {
  at: 0,
  reached: 0,
  leftAt: {},
  threaded: [],
  readings: [],
  voided: [],
  answers: {},
  redone: {},
  spent: [],
  shards: { made: 0, binned: 0 },
  timers: [],
  faults: [],
  mend: null,
  taken: null,
  places: {},
  lost: ZERO,
  spare: null,
  reworks: 0,
  photos: [],
  job: "",
  label: "",
  signed: null,
  lastSeq: 0,
};

/** Whether a redo or rework was taken back straight after. */
export const isTakenBack = (entries: readonly Recorded[], id: string): boolean =>
  entries.some(({ entry }) => entry.kind === "untake" && entry.entry === id);

/** Replays an end's entries, in order of their sequence, into where it stands now. */
export function endState(entries: readonly Recorded[]): EndState {
  return entries.reduce(applied, FRESH);
}

/** An end's state with one more entry. */
export function applied(state: EndState, { id, seq, at, entry }: Recorded): EndState {
  const next = { ...state, taken: null, lastSeq: Math.max(seq, state.lastSeq) };
  const taken = { entry: id, before: { ...state, taken: null } };
  switch (entry.kind) {
    case "thread": {
      const others = state.threaded.filter((part) => part !== entry.part);
      return { ...next, threaded: entry.on ? [...others, entry.part] : others };
    }
    case "step":
      return {
        ...next,
        at: entry.to,
        reached: Math.max(state.reached, entry.to),
        leftAt: entry.to > state.at ? { ...state.leftAt, [state.at]: at } : state.leftAt,
        mend: state.mend && entry.to >= state.mend.back ? null : state.mend,
      };
    case "reading":
      return {
        ...next,
        readings: [...state.readings, { ...entry, id, at }],
        mend: state.mend && state.at >= state.mend.back ? null : state.mend,
      };
    case "strike":
      return { ...next, readings: state.readings.filter((reading) => reading.id !== entry.reading) };
    case "answer":
      return { ...next, answers: { ...state.answers, [entry.judgement]: entry.answer } };
    case "label":
      return { ...next, job: entry.job, label: entry.label };
    case "redo":
      return { ...redone(next, entry), taken };
    case "restart":
      return { ...restarted(next, entry), taken };
    case "rework":
      return { ...reworked(next, entry), taken };
    case "untake":
      return state.taken ? { ...state.taken.before, lastSeq: next.lastSeq } : next;
    case "fault": {
      const { kind: _kind, on, ...fault } = entry;
      const others = state.faults.filter(
        ({ leg, feature, what }) => leg !== fault.leg || feature !== fault.feature || what !== fault.what,
      );
      return { ...next, faults: on ? [...others, fault] : others };
    }
    case "spare":
      return { ...next, spare: entry.length };
    case "photo":
      return { ...next, photos: [...state.photos, entry] };
    case "correction":
      return next;
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

type Voids = Extract<Entry, { kind: "redo" }>["voids"];

/** What was read and seen at lines that are done again no longer speaks for the end. */
function voided(state: EndState, { checks, judgements, steps }: Voids): EndState {
  const isVoid = ({ check }: { check: string }) => checks.includes(check);
  return {
    ...state,
    readings: state.readings.filter((reading) => !isVoid(reading)),
    voided: [...state.voided, ...state.readings.filter(isVoid)],
    answers: Object.fromEntries(
      Object.entries(state.answers).filter(([judgement]) => !judgements.includes(judgement)),
    ),
    spent: state.spent.filter((step) => !steps.includes(step)),
    timers: state.timers.filter(({ step }) => !steps.includes(step)),
  };
}

/** When lines were left, of those that still stand as they were done. */
const keptLeft = ({ leftAt }: EndState, stands: (line: number) => boolean): EndState["leftAt"] =>
  Object.fromEntries(Object.entries(leftAt).filter(([line]) => stands(Number(line))));

/** Under what a retry rule's use is counted: by itself, or by itself on one leg of several. */
export const retryKey = (rule: string, leg = ""): string => (leg ? `${rule}/${leg}` : rule);

/** How often a rule was used on a leg; what went back on all legs at once counts for each. */
export const retriesUsed = ({ redone }: Pick<EndState, "redone">, rule: string, leg = ""): number =>
  (redone[rule] ?? 0) + (leg ? (redone[retryKey(rule, leg)] ?? 0) : 0);

function usedOnce({ redone }: EndState, rule: string, leg: string | undefined): EndState["redone"] {
  const key = retryKey(rule, leg);
  return { ...redone, [key]: (redone[key] ?? 0) + 1 };
}

const less = (spare: Length | null, lost: Length): Length | null =>
  spare === null ? null : um(spare - lost);

/** Back at an earlier step: all from there on is made anew by the sheet, and the rule has been used once more. */
function redone(
  state: EndState,
  { rule, leg, to, voids, cableLost = ZERO }: Extract<Entry, { kind: "redo" }>,
): EndState {
  const of = (one: string) => leg === undefined || one === leg;
  return {
    ...voided(state, voids),
    at: to,
    reached: to,
    leftAt: keptLeft(state, (line) => line < to),
    mend: null,
    places:
      cableLost > 0
        ? Object.fromEntries(Object.entries(state.places).filter(([one]) => !of(one)))
        : state.places,
    faults: cableLost > 0 ? state.faults.filter((fault) => !of(fault.leg)) : state.faults,
    lost: um(state.lost + cableLost),
    spare: less(state.spare, cableLost),
    redone: usedOnce(state, rule, leg),
  };
}

/** All cut off and begun again: what was threaded on stays on, but for what was said not to be. */
function restarted(state: EndState, { to, voids, cableLost }: Extract<Entry, { kind: "restart" }>): EndState {
  return {
    ...voided(state, voids),
    at: to,
    reached: to,
    leftAt: keptLeft(state, (line) => line < to),
    mend: null,
    places: {},
    faults: [],
    lost: um(state.lost + cableLost),
    spare: less(state.spare, cableLost),
  };
}

/** Some lines done again by new figures; the rest of the end stays as it is. */
function reworked(state: EndState, entry: ReworkTaken): EndState {
  const { leg, plan, steps, to, back, moves, places, cableLost, rule, voids } = entry;
  return {
    ...voided(state, voids),
    at: to,
    leftAt: keptLeft(state, (line) => line < back && !steps.includes(line)),
    mend: { leg, plan, steps, back, moves },
    places: { ...state.places, [leg]: places },
    faults: state.faults.filter((fault) => fault.leg !== leg),
    lost: um(state.lost + cableLost),
    spare: less(state.spare, cableLost),
    redone: rule === null ? state.redone : usedOnce(state, rule, leg),
    reworks: state.reworks + 1,
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

export type Result = "in" | "out" | "unsure" | "unmeasured" | "cut-off" | "discarded";

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
