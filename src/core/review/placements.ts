import type { Cable } from "../cable/cable";
import { attempt } from "../problem/attempt";
import { InputError, type Problem } from "../problem/problem";
import type { Picked } from "../procedure/condition";
import { misfits } from "../procedure/fit";
import { type Procedure, withDefaults } from "../procedure/procedure";
import type { Tool } from "../procedure/tool";
import { type Placed, placeFeatures } from "../runsheet/placing";
import { type Resolved, resolved } from "../runsheet/resolved";
import { variantsOf } from "./contradictions";

/** A procedure laid out on one cable: what of it holds there, and where each feature comes to lie. */
export interface Placement extends Resolved {
  readonly placed: ReadonlyMap<string, Placed>;
}

/**
 * Lays a procedure out on a cable; null where a datum or a tool is missing, which is reported elsewhere.
 * @example placementOf(resolved(stub, cord, picked), tools)?.cable.id // "simplex-3.0"
 */
export function placementOf(resolved: Resolved, tools: readonly Tool[]): Placement | null {
  try {
    return { ...resolved, placed: placeFeatures(resolved, tools) };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** A procedure on one cable as it was picked: laid out there, or why it cannot be. */
export type Chosen = { readonly placement: Placement } | { readonly cable: Cable; readonly problem: Problem };

function laidOut(procedure: Procedure, cable: Cable, picked: Picked, tools: readonly Tool[]): Chosen {
  const placed = resolved(procedure, cable, picked);
  const { value, problem } = attempt(() => placeFeatures(placed, tools));
  return problem === null ? { placement: { ...placed, placed: value } } : { cable, problem };
}

/** A procedure on every cable it goes on, each in its first glass that fits and with the usual choices. */
export const usualLayouts = (
  procedure: Procedure,
  cables: readonly Cable[],
  tools: readonly Tool[],
): Chosen[] =>
  cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .slice(0, 1)
      .map((core) => laidOut(procedure, cable, { core, choices: withDefaults(procedure, {}) }, tools)),
  );

/**
 * The same where it can be laid out.
 * @example usualPlacements(stub, [cord], tools).length // 1
 */
export const usualPlacements = (
  procedure: Procedure,
  cables: readonly Cable[],
  tools: readonly Tool[],
): Placement[] => usualLayouts(procedure, cables, tools).flatMap(placedOf);

/** What was laid out of what was tried. */
export const placedOf = (chosen: Chosen): Placement[] => ("placement" in chosen ? [chosen.placement] : []);

/**
 * A procedure on one cable with each other option picked by itself: what only a choice brings in is there too.
 * @example chosenPlacements(stub, cord, tools).length // 15
 */
export const chosenPlacements = (procedure: Procedure, cable: Cable, tools: readonly Tool[]): Chosen[] =>
  cable.cores
    .filter((core) => misfits(procedure, cable, core).length === 0)
    .slice(0, 1)
    .flatMap((core) => [...variantsOf(procedure, cable, core)].slice(1))
    .map((picked) => laidOut(procedure, cable, picked, tools));
