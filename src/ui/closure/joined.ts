import type { ClosureAnswer, PieceId, PlaceSide } from "@/core";

/** A place of a piece that can come in. */
export interface Joinable {
  readonly piece: PieceId;
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
