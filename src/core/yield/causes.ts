import hypergeometricBelow from "@stdlib/stats-base-dists-hypergeometric-cdf";

/** An end with its result and the conditions it was made under, by question: `{ person: "Wyn Harrow", cleaver: "C 2" }`. */
export interface EndFacts {
  readonly id: string;
  readonly good: boolean;
  readonly facts: Readonly<Record<string, string>>;
}

/** A condition that failed ends share more than good ones do. */
export interface Cause {
  readonly question: string;
  readonly value: string;
  /** Ends under the condition, and those of them that failed. */
  readonly under: number;
  readonly failedUnder: number;
  /** The same of all other ends that state the question. */
  readonly others: number;
  readonly failedOthers: number;
  /** Chance of so many failures or more, were there no cause (exact), and corrected for all that was asked. */
  readonly p: number;
  readonly corrected: number;
  /** Ids of the failed ends under the condition. */
  readonly ends: readonly string[];
}

interface Causes {
  /** Conditions that were tested. */
  readonly tests: number;
  /** Strongest first. */
  readonly causes: readonly Cause[];
}

/** The value of a condition that is absent: ends without it are what those with it are held against. */
export const ABSENT = "no";

/** Fewer ends than this under a condition, or beside it, say nothing. */
const FEWEST = 3;

/**
 * Chance of at least so many failures under a condition if failures fell on all ends alike: one side of Fisher's exact test
 * (Fisher 1935, The Design of Experiments; the hypergeometric distribution of a standard package).
 * @example exactChance({ under: 4, failedUnder: 0, others: 4, failedOthers: 1 }) // 1
 */
export const exactChance = ({
  under,
  failedUnder,
  others,
  failedOthers,
}: Pick<Cause, "under" | "failedUnder" | "others" | "failedOthers">): number =>
  failedUnder === 0
    ? 1
    : 1 - hypergeometricBelow(failedUnder - 1, under + others, failedUnder + failedOthers, under);

/**
 * Conditions that failed ends share more than good ones do. Questions traps from the trade are asked first: they and the rest
 * each have half of the risk, corrected for how many conditions were asked (Holm 1979, "A simple sequentially rejective
 * multiple test procedure"), so that a finding is false at most with that risk.
 * @param traps questions of the trade, asked first.
 * @param risk of any false finding, for example 0.05.
 * @example causesOf([], ["blade"], 0.05) // { tests: 0, causes: [] }
 */
export function causesOf(ends: readonly EndFacts[], traps: readonly string[], risk: number): Causes {
  const tables = tablesOf(ends);
  const isTrap = ({ question }: Cause) => traps.includes(question);
  const [first, rest] = [tables.filter(isTrap), tables.filter((each) => !isTrap(each))];
  // With one half empty the other has all of the risk.
  const share = first.length > 0 && rest.length > 0 ? 2 : 1;
  return {
    tests: tables.length,
    causes: [...corrected(first, share), ...corrected(rest, share)]
      .filter((each) => each.corrected <= risk)
      .sort((a, b) => a.corrected - b.corrected),
  };
}

/** Every condition with enough ends under it and beside it, with its exact chance. */
function tablesOf(ends: readonly EndFacts[]): Cause[] {
  /** Ends under each value of each question, counted in one pass. */
  const questions = new Map<string, Map<string, { under: number; failed: string[] }>>();
  for (const { id, good, facts } of ends)
    for (const [question, value] of Object.entries(facts)) {
      const values = questions.get(question) ?? new Map<string, { under: number; failed: string[] }>();
      const count = values.get(value) ?? { under: 0, failed: [] };
      count.under += 1;
      if (!good) count.failed.push(id);
      values.set(value, count);
      questions.set(question, values);
    }
  return [...questions]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([question, values]) => {
      const stated = [...values.values()].reduce((sum, { under }) => sum + under, 0);
      const failed = [...values.values()].reduce((sum, each) => sum + each.failed.length, 0);
      return [...values]
        .filter(([value]) => value !== ABSENT)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .flatMap(([value, { under, failed: own }]): Cause[] => {
          const counts = {
            ...{ under, failedUnder: own.length },
            ...{ others: stated - under, failedOthers: failed - own.length },
          };
          if (counts.under < FEWEST || counts.others < FEWEST) return [];
          const p = exactChance(counts);
          return [{ question, value, ...counts, p, corrected: p, ends: own }];
        });
    });
}

/** Chances after Holm's correction, times the share of the risk that is not theirs. */
function corrected(tables: readonly Cause[], share: number): Cause[] {
  let most = 0;
  return [...tables]
    .sort((a, b) => a.p - b.p)
    .map((table, i) => {
      most = Math.min(1, Math.max(most, table.p * (tables.length - i) * share));
      return { ...table, corrected: most };
    });
}
