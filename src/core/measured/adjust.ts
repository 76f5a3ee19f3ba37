import { inverse, Matrix } from "ml-matrix";
import { type Length, um } from "../length/length";
import { mustHold, mustHoldAt } from "../problem/held";

/** A length as read: `to` lies `mean` behind `from`, with standard uncertainty `u`. Micrometres, not rounded. */
export interface ReadDifference {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly mean: number;
  readonly u: number;
}

/** Readings that contradict one another: which, and by how much they do not close, micrometres. */
export interface OddReadings {
  /** The ones that stand out most; several where one loop alone cannot tell which of them is wrong. */
  readonly ids: readonly string[];
  readonly by: number;
}

interface Adjusted {
  readonly places: ReadonlyMap<string, Length>;
  /** The readings that agree least with the others, where any stands off by more than three times its uncertainty. */
  readonly odd: OddReadings | null;
}

/** How many standard deviations a reading may stand off what the others make of it. */
const MOST_OFF = 3;
/** Normalised residuals as near as this stand out alike. */
const TIE = 1e-6;

/**
 * Where features lie by what was read: weighted least squares of the differences, each group that readings join held
 * at its first feature's expected place. Features no reading touches stay where they are expected.
 * Normalised residuals tell the reading that does not fit (adjustment of a levelling net; Baarda's test, from memory).
 * @param expected places in the order the features were made; every difference joins two of them.
 */
export function adjust(
  expected: ReadonlyMap<string, Length>,
  differences: readonly ReadDifference[],
): Adjusted {
  const places = new Map(expected);
  const off: { readonly id: string; readonly by: number; readonly times: number }[] = [];
  for (const group of groupsOf([...expected.keys()], differences)) {
    const [anchor, free] = [mustHoldAt(group, 0), group.slice(1)];
    const own = differences.filter(({ from }) => group.includes(from));
    if (own.length === 0) continue;
    const covariance = inverse(new Matrix(normal(free, own))).to2DArray();
    const base = mustHold(expected, anchor);
    const right = free.map((name) =>
      own.reduce((sum, difference) => {
        const side = difference.to === name ? 1 : difference.from === name ? -1 : 0;
        if (side === 0) return sum;
        const other = side === 1 ? difference.from : difference.to;
        return sum + (side * difference.mean + (other === anchor ? base : 0)) / weighed(difference.u) ** 2;
      }, 0),
    );
    const weights = covariance.map((row) =>
      row.reduce((sum, value, i) => sum + value * mustHoldAt(right, i), 0),
    );
    const at = (name: string) => (name === anchor ? base : mustHoldAt(weights, free.indexOf(name)));
    for (const name of free) places.set(name, um(Math.round(at(name))));
    for (const difference of own) {
      const spare =
        weighed(difference.u) ** 2 -
        variance(covariance, free.indexOf(difference.from), free.indexOf(difference.to));
      if (spare < 1e-6 * weighed(difference.u) ** 2) continue;
      const by = difference.mean - (at(difference.to) - at(difference.from));
      off.push({ id: difference.id, by: Math.abs(by), times: Math.abs(by) / Math.sqrt(spare) });
    }
  }
  const most = Math.max(0, ...off.map(({ times }) => times));
  if (most <= MOST_OFF) return { places, odd: null };
  const worst = off.filter(({ times }) => times > most - TIE * most);
  return {
    places,
    odd: { ids: worst.map(({ id }) => id), by: worst.reduce((sum, { by }) => sum + by, 0) },
  };
}

/** No reading is surer than a micrometre. */
const weighed = (u: number): number => Math.max(1, u);

/** Names joined by differences, each group in the order given. */
function groupsOf(names: readonly string[], differences: readonly ReadDifference[]): string[][] {
  const group = new Map(names.map((name, i) => [name, i]));
  for (const { from, to } of differences) {
    const [keep, drop] = [mustHold(group, from), mustHold(group, to)];
    for (const [name, at] of group) if (at === drop) group.set(name, keep);
  }
  return [...new Set(group.values())].map((at) => names.filter((name) => group.get(name) === at));
}

function normal(free: readonly string[], differences: readonly ReadDifference[]): number[][] {
  const matrix = free.map(() => free.map(() => 0));
  const add = (i: number, j: number, value: number) => {
    if (i >= 0 && j >= 0) mustHoldAt(matrix, i)[j] = mustHoldAt(mustHoldAt(matrix, i), j) + value;
  };
  for (const { from, to, u } of differences) {
    const [i, j, weight] = [free.indexOf(from), free.indexOf(to), 1 / weighed(u) ** 2];
    add(i, i, weight);
    add(j, j, weight);
    add(i, j, -weight);
    add(j, i, -weight);
  }
  return matrix;
}

/** Variance of the fitted difference between two places; −1 stands for the anchor. */
function variance(covariance: readonly (readonly number[])[], from: number, to: number): number {
  const at = (i: number, j: number) => (i < 0 || j < 0 ? 0 : mustHoldAt(mustHoldAt(covariance, i), j));
  return at(to, to) + at(from, from) - 2 * at(from, to);
}
