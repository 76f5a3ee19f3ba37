import { ABSENT, driftOf, type RunOnRecord } from "@/core";
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

/** Name and limits of what a run is of. */
type RunLimits = Pick<RunOnRecord, "name" | "min" | "max">;

/** Values of one run, oldest end first. */
interface RunValues extends Pick<RunOnRecord, "of" | "styleName" | "tool" | "person"> {
  readonly ends: { readonly id: string; readonly value: number }[];
  /** Of the newest end: limits change with a procedure's revision. */
  limits: RunLimits;
  /** Of a gauge: the hands and tools its lengths were made by. */
  readonly hands: Set<string> | null;
}

/** Runs by their keys. */
type Runs = Map<string, RunValues>;

/** Adds the value of an end to the run of a key, which is begun if there is none. */
function addValue(
  runs: Runs,
  key: string,
  end: RunValues["ends"][number],
  limits: RunLimits,
  begin: () => Omit<RunValues, "ends" | "limits">,
): RunValues {
  const begun = runs.get(key);
  if (begun) {
    begun.ends.push(end);
    begun.limits = limits;
    return begun;
  }
  const run = { ...begin(), ends: [end], limits };
  runs.set(key, run);
  return run;
}

/** Runs of one length by one tool in one hand, or by one gauge in every hand, of losses by one source, of minutes of one connector; oldest end first. */
export function runsOf(store: Store, facts: readonly RecordedFacts[]): RunOnRecord[] {
  const factsById = new Map(facts.map((end) => [end.id, end]));
  const runs: Runs = new Map();
  addLengths(runs, store, factsById);
  addLosses(runs, store, facts);
  addMinutes(runs, facts);
  return [...runs.values()]
    .filter(({ ends, hands }) => ends.length >= FEWEST && isOfItsOwn(hands))
    .map((run) => runOf(run, factsById))
    .sort(
      (a, b) =>
        Number(b.signal !== null) - Number(a.signal !== null) ||
        Number(a.person === "") - Number(b.person === "") ||
        b.ends.length - a.ends.length,
    )
    .slice(0, MOST_RUNS);
}

/** False for a gauge in one hand with one tool: that is the run of the length itself. */
const isOfItsOwn = (hands: RunValues["hands"]): boolean => hands === null || hands.size > 1;

function addLengths(runs: Runs, store: Store, facts: ReadonlyMap<string, RecordedFacts>): void {
  for (const length of firstLengths(store)) {
    const own = facts.get(length.id);
    if (!own) continue;
    const { person, row } = own;
    const { tool, gauge } = length;
    const of = { of: "length" as const, styleName: row.styleName };
    const key = `${row.style}/${length.dimension}/${length.nominal}`;
    const end = { id: length.id, value: length.firstMean };
    const hand = `${tool}/${person}`;
    addValue(runs, `${key}/${hand}`, end, length, () => ({ ...of, tool, person, hands: null }));
    if (gauge === null) continue;
    // The same gauge in every hand: what it drifts by shows in all of them.
    const shared = () => ({ ...of, tool: gauge, person: "", hands: new Set<string>() });
    addValue(runs, `gauge/${key}/${gauge}`, end, length, shared).hands?.add(hand);
  }
}

function addLosses(runs: Runs, store: Store, facts: readonly RecordedFacts[]): void {
  const lit = facts.slice(-MOST_LIT);
  const losses = new Map<string, FirstLoss[]>();
  const ids = lit.map(({ row }) => row.id);
  for (const loss of firstLosses(store, ids)) {
    const own = losses.get(loss.id);
    if (own) own.push(loss);
    else losses.set(loss.id, [loss]);
  }
  for (const { id, row, person } of lit)
    for (const { wavelength, source, loss } of losses.get(id) ?? []) {
      const of = { of: "loss" as const, styleName: row.styleName, tool: source, person, hands: null };
      const key = JSON.stringify(["loss", row.style, wavelength, source, person]);
      const limits = { name: String(wavelength), min: null, max: null };
      addValue(runs, key, { id, value: loss }, limits, () => of);
    }
}

const NO_LIMITS: RunLimits = { name: "", min: null, max: null };

function addMinutes(runs: Runs, facts: readonly RecordedFacts[]): void {
  for (const { id, row, person } of facts) {
    const value = minutesOf(row);
    if (value === null) continue;
    const { style, styleName } = row;
    const begin = () => ({ of: "minutes" as const, styleName, tool: "", person, hands: null });
    addValue(runs, JSON.stringify(["minutes", style, person]), { id, value }, NO_LIMITS, begin);
  }
}

function runOf(run: RunValues, facts: ReadonlyMap<string, RecordedFacts>): RunOnRecord {
  const { of, styleName, tool, person } = run;
  const { name, min, max } = run.limits;
  const ends = run.ends.slice(-LONGEST);
  const values = ends.map(({ value }) => value);
  const drift = driftOf({ values, baseline: { first: BASELINE }, lambda: LAMBDA, width: WIDTH });
  // The first ends set the level: they are no signal against it.
  const signal = drift.signals.find((place) => place > BASELINE) ?? null;
  const since = signal === null ? [] : values.slice(signal - 1);
  return {
    ...{ of, name, styleName, tool, person, min, max, ends },
    ...{ mean: drift.mean, ewma: drift.ewma, lower: drift.lower, upper: drift.upper, signal },
    moved: signal === null ? null : since.reduce((sum, value) => sum + value, 0) / since.length - drift.mean,
    changed: signal === null ? [] : changedAt(ends, signal, facts),
  };
}

/** Ends before a signal that may have begun it. */
const LEAD = 4;

/** Conditions seen for the first time in a run at its signal or shortly before it. */
function changedAt(
  group: RunOnRecord["ends"],
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
