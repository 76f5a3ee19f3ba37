import { type Length, um } from "../length/length";
import { mustHold, mustHoldAt } from "../problem/held";
import { canHold, type Difference } from "./differences";
import { type Dimension, statedLimits } from "./dimension";

/** One closed chain of stated limits that cannot hold together, and by how much it falls short. */
export interface Conflict {
  readonly ids: readonly string[];
  readonly shortBy: Length;
}

/** One side of a stated limit. */
interface Side extends Difference {
  readonly id: string;
}

function sidesOf(features: readonly string[], dimensions: readonly Dimension[]): Side[] {
  const index = new Map(features.map((name, i) => [name, i]));
  return dimensions.flatMap((dimension) => {
    const { min, max } = statedLimits(dimension);
    const from = mustHold(index, dimension.from);
    const to = mustHold(index, dimension.to);
    return [
      { id: dimension.id, from: to, to: from, least: -max },
      { id: dimension.id, from, to, least: min },
    ].filter(({ least }) => Number.isFinite(least));
  });
}

/**
 * The contradiction with the fewest limits in it: the one easiest to read and to mend.
 * Walks of one limit more at a time from every feature (Bellman–Ford by rounds); the first that comes
 * back to its start below zero is a closed chain that cannot hold.
 * @returns null when the limits can hold together.
 */
export function findConflict(features: readonly string[], dimensions: readonly Dimension[]): Conflict | null {
  const all = sidesOf(features, dimensions);
  const n = features.length;
  if (canHold(n, all)) return null;
  let reach = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
  for (let i = 0; i < n; i++) reach[i * n + i] = 0;
  const rounds: Int32Array[] = [];
  for (let length = 1; length <= n; length++) {
    const next = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
    const via = new Int32Array(n * n).fill(-1);
    all.forEach(({ from, to, least }, which) => {
      for (let start = 0; start < n; start++) {
        const candidate = mustHoldAt(reach, start * n + to) - least;
        const place = start * n + from;
        if (candidate < mustHoldAt(next, place)) {
          next[place] = candidate;
          via[place] = which;
        }
      }
    });
    rounds.push(via);
    let worst = -1;
    for (let start = 0; start < n; start++) {
      const round = mustHoldAt(next, start * n + start);
      if (round < 0 && (worst < 0 || round < mustHoldAt(next, worst * n + worst))) worst = start;
    }
    if (worst >= 0)
      return { ids: chain(all, rounds, worst, n), shortBy: um(-mustHoldAt(next, worst * n + worst)) };
    reach = next;
  }
  return null;
}

function chain(all: readonly Side[], rounds: readonly Int32Array[], start: number, n: number): string[] {
  const ids: string[] = [];
  let at = start;
  for (let round = rounds.length - 1; round >= 0; round--) {
    const side = mustHoldAt(all, mustHoldAt(mustHoldAt(rounds, round), start * n + at));
    ids.unshift(side.id);
    at = side.to;
  }
  return [...new Set(ids)];
}
