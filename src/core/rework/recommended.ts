import { mustHold, mustHoldAt } from "../problem/held";
import { type AtLeast, asAtLeast, type ReworkInput } from "./problem";

/** The same features moved, re-made as far inside their limits as can be. Positions in micrometres. */
export interface Recommended {
  readonly positions: ReadonlyMap<string, number>;
  /** Share of each limit's half-width kept free on the lengths that touch a moved feature: 0 to 1. */
  readonly margin: number;
}

const ROOT = "";
const HAIR = 1e-6;

/**
 * The largest common share of each limit's half-width that can be kept as margin over the lengths that touch a moved
 * feature; then, of all ways to keep it, the least cable, and the rest in the middle of what is left.
 *
 * The share is found by Newton's method on the tightest cycle of the limits (Radzik's parametric shortest paths,
 * from memory): each round reads the share at which the worst cycle just holds.
 */
export function recommend(input: ReworkInput, moved: ReadonlySet<string>): Recommended {
  const limits = bounded(input, moved);
  const names = [ROOT, ...input.features.map(({ name }) => name)];
  let margin = 1;
  for (;;) {
    const cycle = tightest(names, limits, margin);
    if (!cycle) break;
    const least = cycle.reduce((sum, one) => sum + one.least, 0);
    const half = cycle.reduce((sum, one) => sum + one.half, 0);
    margin = Math.max(0, -least / half);
  }
  const held = limits.map((limit) => ({
    ...limit,
    least: limit.least + Math.floor(limit.half * margin + HAIR),
  }));
  const low = lowest(names, held);
  const cable = mustHold(low, input.cable);
  const high = highest(names, [...held, { from: input.cable, to: ROOT, least: -cable, half: 0 }]);
  const positions = new Map(
    names.slice(1).map((name) => {
      const [a, b] = [mustHold(low, name), mustHold(high, name)];
      // The middle of two whole answers, rounded down, still keeps every limit between whole places.
      return [name, Number.isFinite(a) && Number.isFinite(b) ? Math.floor((a + b) / 2) : a] as const;
    }),
  );
  return { positions: inOneWay(positions, low, high), margin };
}

/** When any place has no upper end, all are taken at their least: halves of two answers must not be mixed. */
function inOneWay(
  middle: ReadonlyMap<string, number>,
  low: ReadonlyMap<string, number>,
  high: ReadonlyMap<string, number>,
): ReadonlyMap<string, number> {
  const open = [...low].some(([name, at]) => Number.isFinite(at) && !Number.isFinite(mustHold(high, name)));
  return open ? new Map([...middle.keys()].map((name) => [name, mustHold(low, name)])) : middle;
}

/** Every limit, with what stays put pinned to the root and what moves held behind its bite. */
function bounded(input: ReworkInput, moved: ReadonlySet<string>): AtLeast[] {
  const own = input.features.flatMap((feature): AtLeast[] => {
    if (feature.kind === "mark") return [];
    const { name, at } = feature;
    const behind = feature.kind === "cut" && moved.has(name) ? at + feature.bite : at;
    const atLeast = { from: ROOT, to: name, least: behind, half: 0 };
    return moved.has(name) ? [atLeast] : [atLeast, { from: name, to: ROOT, least: -at, half: 0 }];
  });
  const stated = asAtLeast(input).map((limit) =>
    moved.has(limit.from) || moved.has(limit.to) ? limit : { ...limit, half: 0 },
  );
  return [...own, ...stated];
}

/** A cycle that cannot hold at a share, or null when all do. */
function tightest(names: readonly string[], limits: readonly AtLeast[], share: number): AtLeast[] | null {
  const at = new Map(names.map((name) => [name, 0]));
  const by = new Map<string, AtLeast>();
  let last: string | null = null;
  for (let round = 0; round < names.length; round++) {
    last = null;
    for (const limit of limits) {
      const place = mustHold(at, limit.from) + limit.least + limit.half * share;
      if (place <= mustHold(at, limit.to) + HAIR) continue;
      at.set(limit.to, place);
      by.set(limit.to, limit);
      last = limit.to;
    }
    if (last === null) return null;
  }
  let on = last ?? mustHoldAt(names, 0);
  for (let i = 0; i < names.length; i++) on = mustHold(by, on).from;
  const cycle: AtLeast[] = [];
  let name = on;
  do {
    const limit = mustHold(by, name);
    cycle.push(limit);
    name = limit.from;
  } while (name !== on);
  return cycle;
}

/** The least place of each name behind the root; −Infinity where nothing holds it back. */
function lowest(names: readonly string[], limits: readonly AtLeast[]): Map<string, number> {
  const at = new Map(names.map((name) => [name, name === ROOT ? 0 : Number.NEGATIVE_INFINITY]));
  for (let changed = true; changed; ) {
    changed = false;
    for (const { from, to, least } of limits) {
      const place = mustHold(at, from) + least;
      if (place <= mustHold(at, to)) continue;
      at.set(to, place);
      changed = true;
    }
  }
  return at;
}

/** The greatest place of each name behind the root; Infinity where nothing holds it. */
function highest(names: readonly string[], limits: readonly AtLeast[]): Map<string, number> {
  const turned = limits.map(({ from, to, least, half }) => ({ from: to, to: from, least, half }));
  const at = lowest(names, turned);
  return new Map([...at].map(([name, place]) => [name, -place]));
}
