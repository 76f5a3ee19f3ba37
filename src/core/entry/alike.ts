import type { PlaceStanding } from "../piece/standing";
import type { ClosureCable } from "./closure";

/** How a cable of a closure stands at its place, and what keeps it from being begun. */
interface CableReadiness {
  readonly standing: PlaceStanding;
  readonly trouble: unknown;
}

/** Several cables that one batch can take, by their ids. */
interface CablesAlike {
  readonly cable: string;
  readonly through: boolean;
  readonly ids: readonly string[];
}

const MAY_BEGIN: readonly PlaceStanding[] = ["planned", "out", "cut-off", "discarded", "unsure"];

/**
 * Cables of a closure still to be prepared that are alike: worked stage by stage as one batch.
 * @param standings how each cable stands, by its id; a cable that is not in it has not been begun.
 * @example cablesAlike([], new Map()) // []
 */
export function cablesAlike(
  cables: readonly (Pick<ClosureCable, "cable" | "through"> & { readonly id: string })[],
  standings: ReadonlyMap<string, CableReadiness>,
): CablesAlike[] {
  const groups = new Map<string, { cable: string; through: boolean; ids: string[] }>();
  for (const cable of cables) {
    const stands = standings.get(cable.id);
    if (stands && (stands.trouble !== null || !MAY_BEGIN.includes(stands.standing))) continue;
    const key = `${cable.cable} ${cable.through}`;
    const group = groups.get(key) ?? { cable: cable.cable, through: cable.through, ids: [] };
    group.ids.push(cable.id);
    groups.set(key, group);
  }
  return [...groups.values()].filter(({ ids }) => ids.length > 1);
}
