import { ABSENT, driftOf, mustHoldAt } from "@/core";
import type { Store } from "@/store/database/store";
import { type FirstLoss, firstLengths, firstLosses } from "@/store/record/facts";
import { KNOWN_QUESTIONS, OTHER_QUESTIONS, type RecordedFacts } from "./end-facts";

/** Ends that set the level of a run, and the fewest a run is looked at from. */
const BASELINE = 10;
const FEWEST = 14;
/** The most ends of a run that are looked at. */
const LONGEST = 200;
/** Weight of the newest value and width of the limits (NIST/SEMATECH e-Handbook 6.3.2.4). */
const [LAMBDA, WIDTH] = [0.2, 3];
/** An end longer on the bench than this was left there. Minutes. */
const LONGEST_MINUTES = 240;
/** The most runs that are told of, and the last ends whose light is looked at. */
const MOST_RUNS = 8;
const MOST_LIT = 2_000;

/** Minutes an end took; null for one of a batch, or one that was left. */
export function minutesOf({ begun, signed, batch }: RecordedFacts["row"]): number | null {
  const minutes = (Date.parse(signed) - Date.parse(begun)) / 60_000;
  return batch === null && minutes > 0 && minutes <= LONGEST_MINUTES ? minutes : null;
}

/** A run of one thing read of ends, one after the other, that has moved or not: micrometres, decibels or minutes. */
export interface RunOnRecord {
  readonly of: "length" | "loss" | "minutes";
  readonly name: string;
  readonly styleName: string;
  readonly tool: string;
  /** Empty for a gauge in every hand. */
  readonly person: string;
  readonly min: number | null;
  readonly max: number | null;
  readonly ends: readonly { readonly id: string; readonly value: number }[];
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

/** A value read of an end, and the run it belongs to. */
interface RunValue
  extends Pick<RunOnRecord, "of" | "name" | "styleName" | "tool" | "person" | "min" | "max"> {
  readonly id: string;
  readonly value: number;
  /** Key of its run. */
  readonly run: string;
  /** Of a gauge: the hand and tool the length was made by. */
  readonly hand?: string;
}

/** Runs of one length by one tool in one hand, or by one gauge in every hand, of losses by one source, of minutes of one connector; oldest end first. */
export function runsOf(store: Store, facts: readonly RecordedFacts[]): RunOnRecord[] {
  const factsById = new Map(facts.map((end) => [end.id, end]));
  const groups = new Map<string, RunValue[]>();
  for (const value of [
    ...lengthValues(store, factsById),
    ...lossValues(store, facts),
    ...minuteValues(facts),
  ]) {
    const group = groups.get(value.run);
    if (group) group.push(value);
    else groups.set(value.run, [value]);
  }
  return [...groups.values()]
    .filter((group) => group.length >= FEWEST && isOfItsOwn(group))
    .map((group) => runOf(group.slice(-LONGEST), factsById))
    .sort(
      (a, b) =>
        Number(b.signal !== null) - Number(a.signal !== null) ||
        Number(a.person === "") - Number(b.person === "") ||
        b.ends.length - a.ends.length,
    )
    .slice(0, MOST_RUNS);
}

/** False for a gauge in one hand with one tool: that is the run of the length itself. */
const isOfItsOwn = ([first, ...rest]: readonly RunValue[]): boolean =>
  first?.hand === undefined || rest.some(({ hand }) => hand !== first.hand);

const lengthValues = (store: Store, facts: ReadonlyMap<string, RecordedFacts>): RunValue[] =>
  firstLengths(store).flatMap(
    ({ id, style, styleName, dimension, name, tool, gauge, nominal, min, max, firstMean }): RunValue[] => {
      const end = facts.get(id);
      if (!end) return [];
      const { person } = end;
      const length = `${style}/${dimension}/${nominal}`;
      const value = { of: "length" as const, id, name, styleName, min, max, value: firstMean };
      const own = { ...value, tool, person, run: `${length}/${tool}/${person}` };
      if (gauge === null) return [own];
      // The same gauge in every hand: what it drifts by shows in all of them.
      const shared = { tool: gauge, person: "", run: `gauge/${length}/${gauge}`, hand: `${tool}/${person}` };
      return [own, { ...value, ...shared }];
    },
  );

function lossValues(store: Store, facts: readonly RecordedFacts[]): RunValue[] {
  const lit = facts.slice(-MOST_LIT);
  const losses = new Map<string, FirstLoss[]>();
  const ids = lit.map(({ row }) => row.id);
  for (const loss of firstLosses(store, ids)) losses.set(loss.id, [...(losses.get(loss.id) ?? []), loss]);
  return lit.flatMap(({ id, row, person }) =>
    (losses.get(id) ?? []).map(({ wavelength, source, loss }): RunValue => {
      const run = JSON.stringify(["loss", row.style, wavelength, source, person]);
      const { styleName } = row;
      const name = String(wavelength);
      return {
        of: "loss",
        ...{ id, name, styleName, tool: source, person, min: null, max: null, run },
        value: loss,
      };
    }),
  );
}

const minuteValues = (facts: readonly RecordedFacts[]): RunValue[] =>
  facts.flatMap(({ id, row, person }): RunValue[] => {
    const value = minutesOf(row);
    const { style, styleName } = row;
    const run = JSON.stringify(["minutes", style, person]);
    return value === null
      ? []
      : [
          {
            of: "minutes",
            ...{ id, name: "", styleName, tool: "", person, min: null, max: null, run },
            value,
          },
        ];
  });

function runOf(group: readonly RunValue[], facts: ReadonlyMap<string, RecordedFacts>): RunOnRecord {
  const values = group.map(({ value }) => value);
  const drift = driftOf({ values, baseline: { first: BASELINE }, lambda: LAMBDA, width: WIDTH });
  // The first ends set the level: they are no signal against it.
  const signal = drift.signals.find((place) => place > BASELINE) ?? null;
  const since = signal === null ? [] : values.slice(signal - 1);
  const { of, name, styleName, tool, person, min, max } = mustHoldAt(group, 0);
  return {
    ...{ of, name, styleName, tool, person, min, max },
    ends: group.map(({ id, value }) => ({ id, value })),
    ...{ mean: drift.mean, ewma: drift.ewma, lower: drift.lower, upper: drift.upper, signal },
    moved: signal === null ? null : since.reduce((sum, value) => sum + value, 0) / since.length - drift.mean,
    changed: signal === null ? [] : changedAt(group, signal, facts),
  };
}

/** Ends before a signal that may have begun it. */
const LEAD = 4;

/** Conditions seen for the first time in a run at its signal or shortly before it. */
function changedAt(
  group: readonly RunValue[],
  signal: number,
  facts: ReadonlyMap<string, RecordedFacts>,
): RunOnRecord["changed"] {
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
