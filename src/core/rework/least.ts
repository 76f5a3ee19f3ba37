import { mustHold, mustHoldAt } from "../problem/held";
import type { AtLeast, ReworkInput } from "./problem";

/** Where everything comes to lie at the least, or the fixed feature that would have to move. */
export type Least =
  | {
      readonly possible: true;
      /** Micrometres; a mark that nothing holds back is −Infinity. */
      readonly positions: ReadonlyMap<string, number>;
      readonly moved: ReadonlySet<string>;
    }
  | { readonly possible: false; readonly feature: string };

/**
 * The one least solution: nothing moves forward, what moves goes at least its bite, and only what must rise does,
 * until nothing must. Least in every feature at once, since raising one feature never asks another to be lower.
 * Limits that contradict one another must have been refused before.
 * @param limits as `asAtLeast` gives them.
 */
export function leastRework(
  { features, forced }: Pick<ReworkInput, "features" | "forced">,
  limits: readonly AtLeast[],
): Least {
  const index = new Map(features.map(({ name }, i) => [name, i]));
  const at = features.map((feature) => (feature.kind === "mark" ? Number.NEGATIVE_INFINITY : feature.at));
  const went = new Uint8Array(features.length);
  const from = outgoing(features.length, limits);
  const waiting = new Set(features.keys());

  /** Raises a feature to at least a place. @returns whether it could. */
  const raise = (i: number, place: number): boolean => {
    const feature = mustHoldAt(features, i);
    if (feature.kind === "fixed") return false;
    const bitten = feature.kind === "cut" && went[i] === 0 ? feature.at + feature.bite : place;
    if (feature.kind === "cut") went[i] = 1;
    at[i] = Math.max(place, bitten);
    waiting.add(i);
    return true;
  };

  for (const name of forced) {
    const i = mustHold(index, name);
    if (!raise(i, mustHoldAt(at, i))) return { possible: false, feature: name };
  }
  for (const i of waiting) {
    waiting.delete(i);
    const place = mustHoldAt(at, i);
    for (const { to, least } of from[i] ?? [])
      if (place + least > mustHoldAt(at, to) && !raise(to, place + least))
        return { possible: false, feature: mustHoldAt(features, to).name };
  }
  return {
    possible: true,
    positions: new Map(features.map(({ name }, i) => [name, mustHoldAt(at, i)])),
    moved: new Set(features.flatMap(({ name }, i) => (went[i] === 1 ? [name] : []))),
  };
}

/** For each feature, by its place in the list, the limits that lead on from it. */
function outgoing(count: number, limits: readonly AtLeast[]): readonly AtLeast[][] {
  const bounds = Array.from({ length: count }, (): AtLeast[] => []);
  for (const limit of limits) bounds[limit.from]?.push(limit);
  return bounds;
}
