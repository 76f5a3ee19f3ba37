import { mustHold } from "../problem/held";
import { type AtLeast, asAtLeast, type ReworkInput } from "./problem";

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
 */
export function leastRework(input: ReworkInput): Least {
  const { features, forced } = input;
  const byName = new Map(features.map((feature) => [feature.name, feature]));
  const positions = new Map(
    features.map((feature) => [
      feature.name,
      feature.kind === "mark" ? Number.NEGATIVE_INFINITY : feature.at,
    ]),
  );
  const moved = new Set<string>();
  const from = outgoing(asAtLeast(input));
  const waiting = new Set(features.map(({ name }) => name));

  /** Raises a feature to at least a place. @returns whether it could. */
  const raise = (name: string, place: number): boolean => {
    const feature = byName.get(name);
    if (!feature || feature.kind === "fixed") return false;
    const bitten = feature.kind === "cut" && !moved.has(name) ? feature.at + feature.bite : place;
    if (feature.kind === "cut") moved.add(name);
    positions.set(name, Math.max(place, bitten));
    waiting.add(name);
    return true;
  };

  for (const name of forced)
    if (!raise(name, mustHold(positions, name))) return { possible: false, feature: name };
  for (const name of waiting) {
    waiting.delete(name);
    const at = mustHold(positions, name);
    for (const { to, least } of from.get(name) ?? [])
      if (at + least > mustHold(positions, to) && !raise(to, at + least))
        return { possible: false, feature: to };
  }
  return { possible: true, positions, moved };
}

function outgoing(limits: readonly AtLeast[]): ReadonlyMap<string, AtLeast[]> {
  const found = new Map<string, AtLeast[]>();
  for (const limit of limits) found.set(limit.from, [...(found.get(limit.from) ?? []), limit]);
  return found;
}
