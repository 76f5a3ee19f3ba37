import betaQuantile from "@stdlib/stats-base-dists-beta-quantile";

/** So many good of so many tried. */
interface Counted {
  readonly good: number;
  readonly tried: number;
}

/** A yield with how sure it is: both ends of its interval. */
interface Interval {
  readonly least: number;
  readonly most: number;
}

/**
 * The Jeffreys interval of a yield, equal tails: quantiles of Beta(good + ½, tried − good + ½), but 0 where none is good and
 * 1 where all are (Brown, Cai & DasGupta 2001, "Interval estimation for a binomial proportion").
 * @param sure how likely the yield lies within, for example 0.9.
 * @example yieldInterval({ good: 0, tried: 0 }, 0.9) // { least: 0, most: 1 }
 */
export function yieldInterval({ good, tried }: Counted, sure: number): Interval {
  if (tried === 0) return { least: 0, most: 1 };
  const tail = (1 - sure) / 2;
  const quantile = (p: number) => betaQuantile(p, good + 0.5, tried - good + 0.5);
  return {
    least: good === 0 ? 0 : quantile(tail),
    most: good === tried ? 1 : quantile(1 - tail),
  };
}

/** The weight of the whole beside a group is looked for within these limits, in ends. */
const [LEAST_WEIGHT, MOST_WEIGHT] = [1, 1_000];

/**
 * Yields of groups, each drawn towards the yield of all as its own number of ends is small: (good + m·k)/(tried + k), with m the
 * yield of all and k by the method of moments of a beta-binomial (Kleinman 1973, "Proportions with extraneous variance").
 * @returns one for each group, in their order.
 * @example pooledYields([{ good: 9, tried: 10 }]) // [0.9]
 */
export const pooledYields = (groups: readonly Counted[]): number[] =>
  pooledRecords(groups).map(({ good, tried }) => (tried === 0 ? 0 : good / tried));

/**
 * Records of groups, each with as many ends of the whole put to it as its weight says, by the same method: what a group with a
 * short record, or with none, is planned by. Counts need not be whole.
 * @example pooledRecords([{ good: 0, tried: 0 }]) // [{ good: 0, tried: 0 }]
 */
export function pooledRecords(groups: readonly Counted[]): Counted[] {
  const tried = groups.reduce((sum, group) => sum + group.tried, 0);
  if (tried === 0) return groups.map(() => ({ good: 0, tried: 0 }));
  const mean = groups.reduce((sum, { good }) => sum + good, 0) / tried;
  const weight = weightOfAll(groups, tried, mean);
  return groups.map((group) => ({ good: group.good + mean * weight, tried: group.tried + weight }));
}

function weightOfAll(groups: readonly Counted[], tried: number, mean: number): number {
  const filled = groups.filter((group) => group.tried > 0);
  const spread = mean * (1 - mean);
  if (filled.length < 2 || spread === 0) return MOST_WEIGHT;
  const between = filled.reduce((sum, each) => sum + each.tried * (each.good / each.tried - mean) ** 2, 0);
  const squares = filled.reduce((sum, each) => sum + each.tried ** 2, 0);
  const share =
    (between - spread * (filled.length - 1)) / (spread * (tried - squares / tried - (filled.length - 1)));
  const weight = share > 0 ? 1 / share - 1 : MOST_WEIGHT;
  return Math.min(MOST_WEIGHT, Math.max(LEAST_WEIGHT, weight));
}

/** The yield of one group on record. */
export interface YieldRow {
  readonly name: string;
  /** At the first attempt, and in the end. */
  readonly first: Counted & Interval;
  readonly last: Counted & Interval;
  /** The first, drawn towards that of all groups. */
  readonly pooled: number;
  readonly beside: Beside;
}

/** How a group stands beside all the others: worse, better, or not to be told apart. */
type Beside = "worse" | "better" | "alike";

/**
 * How each group stands beside all others together: told apart only where their intervals do not overlap.
 * @example besideTheRest([{ good: 1, tried: 40 }, { good: 39, tried: 40 }], 0.9) // ["worse", "better"]
 */
export function besideTheRest(groups: readonly Counted[], sure: number): Beside[] {
  const [good, tried] = [0, 0].map((_, i) =>
    groups.reduce((sum, group) => sum + (i === 0 ? group.good : group.tried), 0),
  );
  return groups.map((group) => {
    const rest = { good: (good ?? 0) - group.good, tried: (tried ?? 0) - group.tried };
    if (group.tried === 0 || rest.tried === 0) return "alike";
    const [own, others] = [yieldInterval(group, sure), yieldInterval(rest, sure)];
    if (own.most < others.least) return "worse";
    return own.least > others.most ? "better" : "alike";
  });
}
