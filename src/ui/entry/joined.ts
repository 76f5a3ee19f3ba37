import type { ClosureAnswer, ClosureCable, PlaceSide, Standing } from "@/core";

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

/** One key a place of a piece; empty for a cable that is planned nowhere. */
export const joinKey = ({ joins }: Pick<ClosureCable, "joins">): string =>
  joins ? `${joins.piece} ${joins.side}` : "";

/** How each cable that joins a piece stands, by its place. */
export const standingsByJoin = (cables: readonly CableStanding[]): ReadonlyMap<string, CableStanding> =>
  new Map(cables.filter(({ joins }) => joins !== null).map((one) => [joinKey(one), one]));

const MAY_BEGIN: readonly Standing[] = ["planned", "out", "cut-off", "discarded", "unsure"];

/** Several cables that one batch can take, by their places in the closure's list. */
export interface Alike {
  /** What they are called together. */
  readonly cable: string;
  readonly through: boolean;
  readonly places: readonly number[];
}

/** Cables of a closure still to be prepared that are alike: worked stage by stage as one batch. */
export function alike(
  cables: readonly ClosureCable[],
  standings: ReadonlyMap<string, Pick<CableStanding, "standing" | "trouble">>,
): Alike[] {
  const groups = new Map<string, { cable: string; through: boolean; places: number[] }>();
  cables.forEach((one, place) => {
    const stands = standings.get(joinKey(one));
    if (stands && (stands.trouble !== null || !MAY_BEGIN.includes(stands.standing))) return;
    const key = `${one.cable} ${one.through}`;
    const group = groups.get(key) ?? { cable: one.cable, through: one.through, places: [] };
    group.places.push(place);
    groups.set(key, group);
  });
  return [...groups.values()].filter(({ places }) => places.length > 1);
}
