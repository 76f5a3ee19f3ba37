import { besideTheRest, personBy, pooledYields, type YieldRow, yieldInterval } from "@/core";
import type { Store } from "@/store/database/store";
import { type OutcomeRow, outcomesOnRecord } from "@/store/record/ends";
import { allPeople } from "@/store/workshop/people";
import { sinceChanged } from "../since-changed";

/** What ends are grouped by. */
export const YIELD_GROUPS = ["style", "person", "interface", "day"] as const;
type YieldGroup = (typeof YIELD_GROUPS)[number];

/** How sure an interval is. */
const SURE = 0.9;

type People = ReturnType<typeof allPeople>;

/** What an end is grouped under; whoever signed by a person's id goes by what that person is called now. */
const GROUP_OF: Readonly<Record<YieldGroup, (row: OutcomeRow, people: People) => string>> = {
  style: ({ styleName }) => styleName,
  person: ({ signer, signedBy }, people) =>
    (signer === null ? undefined : personBy(people, signer)?.name) ?? signedBy,
  interface: ({ picked }) => picked.choices.interface ?? "",
  day: ({ day }) => day,
};

/**
 * Yield on record by what ends are grouped by: at the first attempt and in the end, each with its interval, drawn towards that
 * of all where a group is small, and told apart from the rest only where the intervals do not overlap. Groups go by their
 * name: never by their yield.
 */
export const yieldsOf: (store: Store, by: YieldGroup) => readonly YieldRow[] = sinceChanged((store, key) => {
  const by = YIELD_GROUPS.find((group) => group === key) ?? "style";
  const people = allPeople(store);
  const groups = new Map<string, OutcomeRow[]>();
  for (const row of outcomesOnRecord(store)) {
    const name = GROUP_OF[by](row, people);
    groups.set(name, [...(groups.get(name) ?? []), row]);
  }
  const named = [...groups].sort(([a], [b]) => a.localeCompare(b));
  const firsts = named.map(([, rows]) => ({
    good: rows.filter(({ good, again }) => good && !again).length,
    tried: rows.length,
  }));
  const pooled = pooledYields(firsts);
  const beside = besideTheRest(firsts, SURE);
  return named.map(([name, rows], i) => {
    const first = firsts[i] ?? { good: 0, tried: 0 };
    const last = { good: rows.filter(({ good }) => good).length, tried: rows.length };
    return {
      name,
      first: { ...first, ...yieldInterval(first, SURE) },
      last: { ...last, ...yieldInterval(last, SURE) },
      pooled: pooled[i] ?? 0,
      beside: beside[i] ?? "alike",
    };
  });
});
