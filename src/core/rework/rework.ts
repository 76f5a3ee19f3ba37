import { type Conflict, findConflict } from "../dimensions/conflict";
import { canHold } from "../dimensions/differences";
import { type Length, um, ZERO } from "../length/length";
import { leastRework } from "./least";
import { asAtLeast, type ReworkInput } from "./problem";
import { recommend } from "./recommended";

/** The least that must be redone, or why nothing can be saved. Lengths in micrometres. */
export type Rework =
  | {
      readonly possible: true;
      readonly moved: readonly string[];
      readonly least: Readonly<Record<string, Length>>;
      readonly cableLost: Length;
      readonly recommended: {
        readonly positions: Readonly<Record<string, Length>>;
        readonly margin: number;
        readonly cableLost: Length;
      };
    }
  | { readonly possible: false; readonly reason: "fixed"; readonly feature: string }
  | { readonly possible: false; readonly reason: "contradictory"; readonly conflict: Conflict };

/**
 * The least that must be redone so that every limit holds: a cut only ever goes further back, by at least what its tool
 * takes off; marks cost nothing; what is fixed stays. The least solution is least in every feature at once, and moves
 * the fewest. Beside it the recommended one: the same features, as far inside their limits as can be.
 * @example rework({ features: [{ name: "end", kind: "cut", at: um(0), bite: um(0) }, { name: "jacket", kind: "cut", at: um(48_000), bite: um(1_000) }], dimensions: [{ id: "d", from: "end", to: "jacket", nominal: um(50_000), plus: um(500), minus: um(500) }], forced: [], cable: "end" }).moved
 * // ["jacket"]
 */
export function rework(input: ReworkInput): Rework {
  const limits = asAtLeast(input);
  const conflict = canHold(input.features.length, limits)
    ? null
    : findConflict(
        input.features.map(({ name }) => name),
        input.dimensions,
      );
  if (conflict) return { possible: false, reason: "contradictory", conflict };
  const best = leastRework(input, limits);
  if (!best.possible) return { possible: false, reason: "fixed", feature: best.feature };
  const { positions, margin } = recommend(input, limits, best.moved);
  const was = startOf(input);
  return {
    possible: true,
    moved: input.features.flatMap(({ name }) => (best.moved.has(name) ? [name] : [])),
    least: written(best.positions),
    cableLost: lost(was, best.positions.get(input.cable)),
    recommended: { positions: written(positions), margin, cableLost: lost(was, positions.get(input.cable)) },
  };
}

/** Where the feature lay whose movement is cable lost; null for a mark, which costs nothing. */
function startOf({ features, cable }: ReworkInput): Length | null {
  const feature = features.find(({ name }) => name === cable);
  return !feature || feature.kind === "mark" ? null : feature.at;
}

const lost = (was: Length | null, now: number | undefined): Length =>
  was === null || now === undefined ? ZERO : um(now - was);

/** Places as they leave; a mark that can be drawn anywhere is left out. */
function written(positions: ReadonlyMap<string, number>): Record<string, Length> {
  const placed: [string, Length][] = [];
  for (const [name, at] of positions) if (Number.isFinite(at)) placed.push([name, um(at)]);
  return Object.fromEntries(placed);
}
