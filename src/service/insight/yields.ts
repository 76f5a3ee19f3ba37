import { besideTheRest, pooledYields, type YieldRow, yieldInterval } from "@/core";
import { sinceChanged } from "../since-changed";
import { type RecordedFacts, recordedFacts } from "./end-facts";
import { weekOf } from "./weeks";

/** Conditions ends are grouped by. */
export const YIELD_GROUPS = [
  "style",
  "person",
  "interface",
  "cleaver",
  "cleaver-place",
  "lot",
  "adhesive",
  "week",
  "day",
] as const;
type YieldGroup = (typeof YIELD_GROUPS)[number];

/** Share of certainty of an interval. */
const SURE = 0.9;

const groupOf = (by: YieldGroup, end: RecordedFacts): string =>
  by === "week" ? weekOf(end.row.signed) : (end.facts[by] ?? "");

/**
 * Yield of some ends by what they are grouped by: at the first attempt and in the end, each with its interval, drawn towards
 * that of all where a group is small, and told apart from the rest only where the intervals do not overlap. Groups go by
 * their name: never by their yield.
 */
export function yieldRows(facts: readonly RecordedFacts[], by: YieldGroup): YieldRow[] {
  const groups = new Map<string, RecordedFacts[]>();
  for (const end of facts) {
    const name = groupOf(by, end);
    const own = groups.get(name);
    if (own) own.push(end);
    else groups.set(name, [end]);
  }
  const named = [...groups].sort(([a], [b]) => a.localeCompare(b));
  const firsts = named.map(([, ends]) => ({
    good: ends.filter(({ good }) => good).length,
    tried: ends.length,
  }));
  const pooled = pooledYields(firsts);
  const beside = besideTheRest(firsts, SURE);
  return named.map(([name, ends], i) => {
    const first = firsts[i] ?? { good: 0, tried: 0 };
    const last = { good: ends.filter(({ row }) => row.good === 1).length, tried: ends.length };
    return {
      name,
      first: { ...first, ...yieldInterval(first, SURE) },
      last: { ...last, ...yieldInterval(last, SURE) },
      pooled: pooled[i] ?? 0,
      beside: beside[i] ?? "alike",
    };
  });
}

/** Yield of all ends on record by what they are grouped by. */
export const yieldsOf = sinceChanged((store, key): readonly YieldRow[] =>
  yieldRows(recordedFacts(store, ""), YIELD_GROUPS.find((group) => group === key) ?? "style"),
);
