import type { z } from "zod";
import {
  type BladeOnRecord,
  causesOf,
  check,
  type Insight,
  type WayOnRecord,
  yieldInterval,
  zLedgerQuery,
} from "@/core";
import type { Store } from "@/store/database/store";
import { signedIds } from "@/store/record/signed";
import { wholeLibrary } from "@/store/shelf/shelf";
import { filterOf } from "../ledger/ledger";
import { sinceChanged } from "../since-changed";
import { KNOWN_QUESTIONS, type RecordedFacts, recordedFacts } from "./end-facts";
import { minutesOf, runsOf } from "./runs";
import { weeksOf } from "./weeks";
import { yieldRows } from "./yields";

/** Share of certainty of all intervals. */
const SURE = 0.9;
/** Risk of a false finding. */
const RISK = 0.05;
/** Ends asked about: the ledger's own filters. */
export type InsightQuery = Omit<z.output<typeof zLedgerQuery>, "before">;

const insights = sinceChanged((store, key): Insight => {
  const all = recordedFacts(store, "");
  const ids = key === ALL ? null : new Set(signedIds(store, filterOf(check(zLedgerQuery, JSON.parse(key)))));
  const facts = ids === null ? all : all.filter(({ id }) => ids.has(id));
  const { tests, causes } = causesOf(facts, KNOWN_QUESTIONS, RISK);
  return {
    ends: facts.length,
    failed: facts.filter(({ good }) => !good).length,
    tests,
    causes,
    runs: runsOf(store, facts),
    ways: waysOf(facts),
    weeks: weeksOf(facts, yieldRows(facts, "week")),
    blades: bladesOf(store, facts),
    people: yieldRows(facts, "person"),
  };
});

/** No filter: every end of work on record. */
const ALL = "";

/**
 * Answers from the record: causes of failed ends, runs that moved, ways to make ends, weeks, blades, people. Kept until an end
 * is begun or signed, a tool checked or a lot opened.
 */
export function insightOf(store: Store, query: Partial<InsightQuery> = {}): Insight {
  const filter = Object.entries(query).filter(
    ([name, value]) => value && !(name === "purpose" && value === "work"),
  );
  return insights(store, filter.length === 0 ? ALL : JSON.stringify(Object.fromEntries(filter)));
}

/** Parts of a place's cleaves that ages are told apart by, and one for all beyond. */
const AGES = [0.25, 0.5, 0.75, 1, 1.5, 2] as const;

/** Every cleaver with ends on record, most ends first. */
function bladesOf(store: Store, facts: readonly RecordedFacts[]): BladeOnRecord[] {
  return wholeLibrary(store)
    .tools.flatMap(({ id, name, blade }) => {
      const ends = facts.filter((end) => end.blade?.tool === id);
      if (!blade || ends.length === 0) return [];
      const cleaves = ends.reduce((sum, end) => sum + (end.blade?.count ?? 0), 0);
      const ages = AGES.map((share, i) => {
        const [from, upTo] = [(AGES[i - 1] ?? 0) * blade.each, share * blade.each];
        const own = ends.filter(({ blade: at }) => at && at.sinceTurn >= from && at.sinceTurn < upTo);
        const failedEnds = own.filter(({ good }) => !good).map((end) => end.id);
        return { upTo, ends: own.length, failed: failedEnds.length, failedEnds };
      });
      const { positions, each } = blade;
      return [{ tool: id, name, positions, each, perEnd: cleaves / ends.length, ages, ends: ends.length }];
    })
    .sort((a, b) => b.ends - a.ends)
    .map(({ ends: _, ...blade }) => blade);
}

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

/** The middle of some values; null of none. */
export function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.floor(sorted.length / 2)]];
  return low === undefined || high === undefined ? null : (low + high) / 2;
}
