import type { ClosureAnswer, ClosureCable, PlaceSide, PlaceStanding } from "@/core";

/** A place of a piece that can come in. */
export interface Joinable {
  readonly piece: string;
  readonly side: PlaceSide;
  readonly text: string;
  readonly cable: string;
  readonly through: boolean;
}

/** How a cable of a closure stands, by the place it is of. */
export type CableStanding = ClosureAnswer["cables"][number];

/** How each cable stands, by its id. */
export const standingsOf = (cables: readonly CableStanding[]): ReadonlyMap<string, CableStanding> =>
  new Map(cables.map((cable) => [cable.id, cable]));

const MAY_BEGIN: readonly PlaceStanding[] = ["planned", "out", "cut-off", "discarded", "unsure"];

/** Several cables that one batch can take, by their ids. */
interface Alike {
  /** What they are called together. */
  readonly cable: string;
  readonly through: boolean;
  readonly ids: readonly string[];
}

/** Cables of a closure still to be prepared that are alike: worked stage by stage as one batch. */
export function alike(
  cables: readonly ClosureCable[],
  standings: ReadonlyMap<string, Pick<CableStanding, "standing" | "trouble">>,
): Alike[] {
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
