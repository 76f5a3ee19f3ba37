import type { Cable } from "../cable/cable";
import { attempt } from "../problem/attempt";
import { InputError, type Problem } from "../problem/problem";
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

/** Lays a procedure out on a cable; null where a datum or a tool is missing, which is told elsewhere. */
export function placementOf(made: Resolved, tools: readonly Tool[]): Placement | null {
  try {
    return { ...made, placed: placeFeatures(made, tools) };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** Cables that a procedure goes on and cannot be laid out on: a length is laid off from what is not there yet. */
export const unplaced = (
  procedure: Procedure,
  cables: readonly Cable[],
  tools: readonly Tool[],
): { readonly cable: Cable; readonly problem: Problem }[] =>
  cables.flatMap((cable) => {
    const core = cable.cores.find((one) => misfits(procedure, cable, one).length === 0);
    if (core === undefined) return [];
    const made = resolved(procedure, cable, { core, choices: withDefaults(procedure, {}) });
    const { problem } = attempt(() => placeFeatures(made, tools));
    return problem ? [{ cable, problem }] : [];
  });

/** A procedure on every cable and glass it goes on, each with the usual choices. */
export const usualPlacements = (
  procedure: Procedure,
  cables: readonly Cable[],
  tools: readonly Tool[],
): Placement[] =>
  cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .slice(0, 1)
      .flatMap(
        (core) =>
          placementOf(resolved(procedure, cable, { core, choices: withDefaults(procedure, {}) }), tools) ??
          [],
      ),
  );

/** A procedure on one cable with an option picked: laid out there, or why it cannot be. */
export type Chosen = { readonly placement: Placement } | { readonly cable: Cable; readonly problem: Problem };

/** A procedure on one cable with each other option picked by itself: what only a choice brings in is there too. */
export const chosenPlacements = (procedure: Procedure, cable: Cable, tools: readonly Tool[]): Chosen[] =>
  cable.cores
    .filter((core) => misfits(procedure, cable, core).length === 0)
    .slice(0, 1)
    .flatMap((core) => [...variantsOf(procedure, cable, core)].slice(1))
    .map((picked): Chosen => {
      const made = resolved(procedure, cable, picked);
      const { value, problem } = attempt(() => placeFeatures(made, tools));
      return problem === null ? { placement: { ...made, placed: value } } : { cable, problem };
    });
