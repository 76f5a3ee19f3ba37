import { type Length, um } from "../length/length";
import { mustHold, mustHoldAt } from "../problem/held";
import { canHold } from "./differences";
import { type Dimension, statedLimits } from "./dimension";

/** One closed chain of stated limits that cannot hold together, and by how much it falls short. */
export interface Conflict {
  readonly ids: readonly string[];
  readonly shortBy: Length;
}

interface Arc {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly most: number;
}

function arcs(features: readonly string[], dimensions: readonly Dimension[]): Arc[] {
  const index = new Map(features.map((name, i) => [name, i]));
  return dimensions.flatMap((dimension) => {
    const { min, max } = statedLimits(dimension);
    const from = mustHold(index, dimension.from);
    const to = mustHold(index, dimension.to);
    return [
      { id: dimension.id, from, to, most: max },
      { id: dimension.id, from: to, to: from, most: -min },
    ].filter((arc) => Number.isFinite(arc.most));
  });
}

/**
 * The contradiction with the fewest limits in it: the one easiest to read and to mend.
 * Walks of one limit more at a time from every feature (Bellman–Ford by rounds); the first that comes
 * back to its start below zero is a closed chain that cannot hold.
 * @returns null when the limits can hold together.
 */
export function findConflict(features: readonly string[], dimensions: readonly Dimension[]): Conflict | null {
  const all = arcs(features, dimensions);
  const n = features.length;
  const leasts = all.map(({ from, to, most }) => ({ from: to, to: from, least: -most }));
  if (canHold(n, leasts)) return null;
  let reach = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
  for (let i = 0; i < n; i++) reach[i * n + i] = 0;
  const rounds: Int32Array[] = [];
  for (let length = 1; length <= n; length++) {
    const next = new Float64Array(n * n).fill(Number.POSITIVE_INFINITY);
    const via = new Int32Array(n * n).fill(-1);
    all.forEach((arc, which) => {
      for (let start = 0; start < n; start++) {
        const candidate = mustHoldAt(reach, start * n + arc.from) + arc.most;
        const place = start * n + arc.to;
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

function chain(all: readonly Arc[], rounds: readonly Int32Array[], start: number, n: number): string[] {
  const ids: string[] = [];
  let at = start;
  for (let round = rounds.length - 1; round >= 0; round--) {
    const arc = mustHoldAt(all, mustHoldAt(mustHoldAt(rounds, round), start * n + at));
    ids.unshift(arc.id);
    at = arc.from;
  }
  return [...new Set(ids)];
}
