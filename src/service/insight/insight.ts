import { ABSENT, type Cause, causesOf, driftOf, personBy, yieldInterval } from "@/core";
import type { Store } from "@/store/database/store";
import { type FirstLength, firstLengths } from "@/store/record/facts";
import { allPeople } from "@/store/workshop/people";
import { sinceChanged } from "../since-changed";
import { KNOWN_QUESTIONS, OTHER_QUESTIONS, type RecordedFacts, recordedFacts } from "./end-facts";

/** Share of certainty of all intervals. */
const SURE = 0.9;
/** Risk of a false finding. */
const RISK = 0.05;
/** Ends that set the level of a run, and the fewest a run is looked at from. */
const BASELINE = 10;
const FEWEST = 14;
/** The most ends of a run that are looked at. */
const LONGEST = 200;
/** Weight of the newest value and width of the limits (NIST/SEMATECH e-Handbook 6.3.2.4). */
const [LAMBDA, WIDTH] = [0.2, 3];
/** An end longer on the bench than this was left there. Minutes. */
const LONGEST_MINUTES = 240;

/** Yield, time and cable of a way to make ends, from the record. */
interface WayOnRecord {
  readonly style: string;
  readonly name: string;
  readonly good: number;
  readonly tried: number;
  readonly least: number;
  readonly most: number;
  /** Median from begun to signed, of ends made by themselves; null where there is none. */
  readonly minutes: number | null;
}

/** A run of one length that has moved, or not. Micrometres. */
interface LengthRun {
  readonly name: string;
  readonly styleName: string;
  readonly tool: string;
  readonly person: string;
  readonly nominal: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly ends: readonly { readonly id: string; readonly value: number; readonly signed: string }[];
  readonly mean: number;
  readonly ewma: readonly number[];
  readonly lower: readonly number[];
  readonly upper: readonly number[];
  /** Place of the first signal, from 1; null where there is none. */
  readonly signal: number | null;
  /** Mean of the ends since then, less the level; null without a signal. */
  readonly moved: number | null;
  /** Conditions of the ends around the signal that the run had not had before. */
  readonly changed: readonly { readonly question: string; readonly value: string }[];
}

/** Answers from the record. */
interface Insight {
  readonly ends: number;
  readonly failed: number;
  /** Conditions asked about. */
  readonly tests: number;
  readonly causes: readonly Cause[];
  /** Runs that moved first, then those with the most ends. */
  readonly runs: readonly LengthRun[];
  readonly ways: readonly WayOnRecord[];
}

/** The most runs that are told of. */
const MOST_RUNS = 6;

const insights = sinceChanged((store): Insight => {
  const facts = recordedFacts(store, "");
  const { tests, causes } = causesOf(facts, KNOWN_QUESTIONS, RISK);
  return {
    ends: facts.length,
    failed: facts.filter(({ good }) => !good).length,
    tests,
    causes,
    runs: runsOf(store, facts),
    ways: waysOf(facts),
  };
});

/** Answers from the record: causes of failed ends, runs that moved, ways to make ends. Kept until an end is begun or signed. */
export const insightOf = (store: Store): Insight => insights(store, "");

/** Every connector with ends on record, most ends first. */
function waysOf(facts: readonly RecordedFacts[]): WayOnRecord[] {
  const styles = new Map<string, RecordedFacts[]>();
  for (const end of facts) {
    const own = styles.get(end.row.style);
    if (own) own.push(end);
    else styles.set(end.row.style, [end]);
  }
  return [...styles]
    .map(([style, ends]) => {
      const counts = { good: ends.filter(({ good }) => good).length, tried: ends.length };
      return {
        ...{ style, name: ends.at(-1)?.row.styleName ?? style, ...counts },
        ...yieldInterval(counts, SURE),
        minutes: medianOf(ends.flatMap(({ row }) => minutesOf(row) ?? [])),
      };
    })
    .sort((a, b) => b.tried - a.tried);
}

/** Minutes an end took; null for one of a batch, or one that was left. */
export function minutesOf({ begun, signed, batch }: RecordedFacts["row"]): number | null {
  const minutes = (Date.parse(signed) - Date.parse(begun)) / 60_000;
  return batch === null && minutes > 0 && minutes <= LONGEST_MINUTES ? minutes : null;
}

/** The middle of some values; null of none. */
export function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.floor(sorted.length / 2)]];
  return low === undefined || high === undefined ? null : (low + high) / 2;
}

/** Runs of one length by one tool in one hand, oldest end first. */
function runsOf(store: Store, facts: readonly RecordedFacts[]): LengthRun[] {
  const people = allPeople(store);
  const factsById = new Map(facts.map((end) => [end.id, end]));
  const groups = new Map<string, FirstLength[]>();
  for (const length of firstLengths(store)) {
    const { style, dimension, tool, nominal, signer } = length;
    const key = JSON.stringify([style, dimension, tool, nominal, signer]);
    const group = groups.get(key);
    if (group) group.push(length);
    else groups.set(key, [length]);
  }
  return [...groups.values()]
    .filter(({ length }) => length >= FEWEST)
    .map((group) => {
      const [first] = group;
      const person = first && (first.signer === null ? undefined : personBy(people, first.signer)?.name);
      return runOf(group.slice(-LONGEST), person ?? first?.signedBy ?? "", factsById);
    })
    .sort((a, b) => Number(b.signal !== null) - Number(a.signal !== null) || b.ends.length - a.ends.length)
    .slice(0, MOST_RUNS);
}

function runOf(
  group: readonly FirstLength[],
  person: string,
  facts: ReadonlyMap<string, RecordedFacts>,
): LengthRun {
  const values = group.map(({ firstMean }) => firstMean);
  const drift = driftOf({ values, baseline: { first: BASELINE }, lambda: LAMBDA, width: WIDTH });
  // The first ends set the level: they are no signal against it.
  const signal = drift.signals.find((place) => place > BASELINE) ?? null;
  const since = signal === null ? [] : values.slice(signal - 1);
  const { name = "", styleName = "", tool = "", nominal = 0, min = null, max = null } = group[0] ?? {};
  return {
    ...{ name, styleName, tool, person, nominal, min, max },
    ends: group.map(({ id, firstMean, signed }) => ({ id, value: firstMean, signed })),
    ...{ mean: drift.mean, ewma: drift.ewma, lower: drift.lower, upper: drift.upper, signal },
    moved: signal === null ? null : since.reduce((sum, value) => sum + value, 0) / since.length - drift.mean,
    changed: signal === null ? [] : changedAt(group, signal, facts),
  };
}

/** Ends before a signal that may have begun it. */
const LEAD = 4;

/** Conditions seen for the first time in a run at its signal or shortly before it. */
function changedAt(
  group: readonly FirstLength[],
  signal: number,
  facts: ReadonlyMap<string, RecordedFacts>,
): LengthRun["changed"] {
  const from = Math.max(1, signal - 1 - LEAD);
  const near = group.slice(from, signal).flatMap(({ id }) => facts.get(id) ?? []);
  const before = group.slice(0, from).flatMap(({ id }) => facts.get(id) ?? []);
  return [...KNOWN_QUESTIONS, ...OTHER_QUESTIONS.filter((question) => question !== "day")].flatMap(
    (question) => {
      const had = new Set(before.flatMap(({ facts: own }) => own[question] ?? []));
      const fresh = near
        .map(({ facts: own }) => own[question])
        .find((value) => value && value !== ABSENT && !had.has(value));
      return fresh !== undefined && had.size > 0 ? [{ question, value: fresh }] : [];
    },
  );
}
