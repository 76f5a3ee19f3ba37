import { type Length, um } from "../length/length";
import { mustHold, mustHoldAt } from "../problem/held";
import { type Conflict, findConflict } from "./conflict";
import { type Dimension, type DimensionsInput, statedLimits } from "./dimension";

/** The tightest limits that follow for one ordered pair; null where a side stays open. */
export interface Limit {
  readonly from: string;
  readonly to: string;
  readonly min: Length | null;
  readonly max: Length | null;
}

export type Closed =
  | { readonly consistent: true; readonly limits: readonly Limit[]; readonly tightened: readonly string[] }
  | { readonly consistent: false; readonly conflict: Conflict };

/**
 * Closes stated limits: the tightest that follow for every ordered pair that has any, which re-expresses
 * any length from any datum, and the ids of those whose stated limits cannot all be reached.
 * Contradictory limits give one closed chain that cannot hold, and by how much.
 *
 * The simple temporal problem of Dechter, Meiri & Pearl 1991, solved by all-pairs shortest paths
 * (Floyd–Warshall); whole micrometres, so every limit is exact.
 */
export function closeLimits({ features, dimensions }: DimensionsInput): Closed {
  const most = shortestPaths(features, dimensions);
  if (most === null) {
    const conflict = findConflict(features, dimensions);
    if (!conflict) throw new Error("limits that cannot hold have no chain that shows it");
    return { consistent: false, conflict };
  }
  const n = features.length;
  const limits: Limit[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (i === j) continue;
      const max = finite(mustHoldAt(most, i * n + j));
      const min = finite(-mustHoldAt(most, j * n + i));
      if (min !== null || max !== null)
        limits.push({ from: mustHoldAt(features, i), to: mustHoldAt(features, j), min, max });
    }
  const index = new Map(features.map((name, i) => [name, i]));
  const tightened = dimensions
    .filter((dimension) => {
      const stated = statedLimits(dimension);
      const from = mustHold(index, dimension.from);
      const to = mustHold(index, dimension.to);
      return mustHoldAt(most, from * n + to) < stated.max || -mustHoldAt(most, to * n + from) > stated.min;
    })
    .map(({ id }) => id);
  return { consistent: true, limits, tightened };
}

const finite = (value: number): Length | null => (Number.isFinite(value) ? um(value) : null);

/** Row-major n×n: the most that feature j can lie behind feature i, micrometres. Null when contradictory. */
function shortestPaths(features: readonly string[], dimensions: readonly Dimension[]): Float64Array | null {
  const n = features.length;
  const most = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
  for (let i = 0; i < n; i++) most[i * n + i] = 0;
  const index = new Map(features.map((name, i) => [name, i]));
  for (const dimension of dimensions) {
    const { min, max } = statedLimits(dimension);
    const from = mustHold(index, dimension.from);
    const to = mustHold(index, dimension.to);
    most[from * n + to] = Math.min(mustHoldAt(most, from * n + to), max);
    most[to * n + from] = Math.min(mustHoldAt(most, to * n + from), -min);
  }
  for (let k = 0; k < n; k++)
    for (let i = 0; i < n; i++) {
      const through = mustHoldAt(most, i * n + k);
      if (through === Number.POSITIVE_INFINITY) continue;
      for (let j = 0; j < n; j++) {
        const candidate = through + mustHoldAt(most, k * n + j);
        if (candidate < mustHoldAt(most, i * n + j)) most[i * n + j] = candidate;
      }
      if (mustHoldAt(most, i * n + i) < 0) return null;
    }
  return most;
}

/** Finds one pair among closed limits. */
export function limitBetween(limits: readonly Limit[], from: string, to: string): Limit | undefined {
  return limits.find((limit) => limit.from === from && limit.to === to);
}
