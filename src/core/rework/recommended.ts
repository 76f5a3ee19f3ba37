import { type Difference, differencesOf, raise } from "../dimensions/differences";
import { EPSILON } from "../length/epsilon";
import { mustHoldAt } from "../problem/held";
import type { AtLeast, ReworkInput } from "./problem";

/** The same features moved, re-made as far inside their limits as can be. Positions in micrometres. */
export interface Recommended {
  readonly positions: ReadonlyMap<string, number>;
  /** Share of each limit's half-width kept free on the lengths that touch a moved feature: 0 to 1. */
  readonly margin: number;
}

/** What stays put is held to one place, numbered before all features. */
const ROOT = 0;
/**
 * The largest common share of each limit's half-width that can be kept as margin over the lengths that touch a moved
 * feature; then, of all ways to keep it, the least cable, and the rest in the middle of what is left.
 *
 * The share is found by Newton's method on the tightest cycle of the limits (Radzik's parametric shortest paths,
 * from memory): each round reads the share at which the worst cycle just holds.
 */
export function recommend(
  input: Pick<ReworkInput, "features" | "cable">,
  stated: readonly AtLeast[],
  moved: ReadonlySet<string>,
): Recommended {
  const names = input.features.map(({ name }) => name);
  const limits = bounded(input, stated, moved);
  const count = names.length + 1;
  const { from, to, least } = differencesOf(limits);
  // From one share to the next most places stay where they were raised to: the search goes on from there.
  const at = new Float64Array(count);
  let margin = 1;
  for (;;) {
    limits.forEach((limit, i) => {
      least[i] = limit.least + limit.half * margin;
    });
    const chain = raise({ from, to, least }, at, EPSILON);
    if (!chain) break;
    const cycle = chain.map((i) => mustHoldAt(limits, i));
    const sum = cycle.reduce((all, bound) => all + bound.least, 0);
    margin = Math.max(0, -sum / cycle.reduce((all, bound) => all + bound.half, 0));
  }
  const held = limits.map((limit) => ({
    ...limit,
    least: limit.least + Math.floor(limit.half * margin + EPSILON),
  }));
  const low = lowest(count, held);
  const cable = names.indexOf(input.cable) + 1;
  const high = highest(count, [...held, { from: cable, to: ROOT, least: -mustHoldAt(low, cable), half: 0 }]);
  const positions = new Map(
    names.map((name, i) => {
      const [a, b] = [mustHoldAt(low, i + 1), mustHoldAt(high, i + 1)];
      // The middle of two whole answers, rounded down, still keeps every limit between whole places.
      return [name, Number.isFinite(a) && Number.isFinite(b) ? Math.floor((a + b) / 2) : a] as const;
    }),
  );
  return { positions: inOneWay(names, positions, low, high), margin };
}

/** When any place has no upper end, all are taken at their least: halves of two answers must not be mixed. */
function inOneWay(
  names: readonly string[],
  middle: ReadonlyMap<string, number>,
  low: Float64Array,
  high: Float64Array,
): ReadonlyMap<string, number> {
  const open = low.some((at, i) => Number.isFinite(at) && !Number.isFinite(mustHoldAt(high, i)));
  return open ? new Map(names.map((name, i) => [name, mustHoldAt(low, i + 1)])) : middle;
}

/** Every limit, with what stays put pinned to the root and what moves held behind its bite; numbered from the root on. */
function bounded(
  { features }: Pick<ReworkInput, "features">,
  stated: readonly AtLeast[],
  moved: ReadonlySet<string>,
): AtLeast[] {
  const bounds: AtLeast[] = [];
  const moves = features.map(({ name }) => moved.has(name));
  features.forEach((feature, i) => {
    if (feature.kind === "mark") return;
    const behind = feature.kind === "cut" && moves[i] ? feature.at + feature.bite : feature.at;
    bounds.push({ from: ROOT, to: i + 1, least: behind, half: 0 });
    if (!moves[i]) bounds.push({ from: i + 1, to: ROOT, least: -feature.at, half: 0 });
  });
  for (const { from, to, least, half } of stated)
    bounds.push({ from: from + 1, to: to + 1, least, half: moves[from] || moves[to] ? half : 0 });
  return bounds;
}

/** The least place of each behind the root; −Infinity where nothing holds it back. */
function lowest(count: number, limits: readonly Difference[]): Float64Array {
  const at = new Float64Array(count).fill(Number.NEGATIVE_INFINITY);
  at[ROOT] = 0;
  raise(differencesOf(limits), at);
  return at;
}

/** The greatest place of each behind the root; Infinity where nothing holds it. */
const highest = (count: number, limits: readonly Difference[]): Float64Array =>
  lowest(
    count,
    limits.map(({ from, to, least }) => ({ from: to, to: from, least })),
  ).map((place) => -place);
