import type { Cable } from "../cable/cable";
import { InputError } from "../problem/problem";
import type { Picked } from "../procedure/condition";
import { misfits } from "../procedure/fit";
import { type Procedure, withDefaults } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import type { Tool } from "../procedure/tool";
import { type Placed, placeFeatures } from "../runsheet/placing";
import { type Stated, statedFor, stepsFor } from "../runsheet/stated";

/** A procedure laid out on one cable: its steps, figures and where each feature comes to lie. */
export interface Placement {
  readonly cable: Cable;
  readonly picked: Picked;
  readonly steps: readonly Step[];
  readonly dimensions: readonly Stated[];
  readonly placed: ReadonlyMap<string, Placed>;
}

/** Lays a procedure out on a cable; null where a datum or a tool is missing, which is told elsewhere. */
export function placementOf(
  procedure: Procedure,
  cable: Cable,
  picked: Picked,
  tools: readonly Tool[],
): Placement | null {
  const steps = stepsFor(procedure, cable, picked);
  const dimensions = statedFor(procedure, cable, picked);
  try {
    const placed = placeFeatures(procedure, steps, dimensions, new Map(tools.map((tool) => [tool.id, tool])));
    return { cable, picked, steps, dimensions, placed };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

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
        (core) => placementOf(procedure, cable, { core, choices: withDefaults(procedure, {}) }, tools) ?? [],
      ),
  );
