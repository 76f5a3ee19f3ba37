import { formatMm } from "../length/format";
import type { Length } from "../length/length";
import { InputError } from "../problem/problem";
import { say } from "../words/core";
import type { Station, StationId } from "./station";

/** A sheath opened in mid-run, as it lies along its piece: micrometres from side A's end as it is cut. */
export interface SheathOpening {
  readonly id: StationId;
  readonly name: string;
  readonly along: Length;
  /** As far as anything is worked there, to either side. */
  readonly from: number;
  readonly to: number;
}

/**
 * What a station is called: by what is there, else by how far along it is.
 * @example stationName({ place: "", along: um(12_500_000) }) // "opening at 12.50 m"
 */
export const stationName = ({ place, along }: Pick<Station, "place" | "along">): string =>
  place || `opening at ${(along / 1_000_000).toFixed(2)} m`;

/**
 * Where a piece is opened in its run, in order from side A.
 * @param exact the piece's own length, micrometres.
 * @param reachOf how far from its centre mark a procedure works to either side; null where that is not known.
 * @throws InputError `limit` for a station beyond the piece, `does-not-fit` for an opening over a neighbouring one.
 */
export function openingsOf(
  stations: readonly Station[],
  exact: number,
  reachOf: (procedure: string) => number | null,
): SheathOpening[] {
  const placed = stations
    .map((station, at) => {
      const { id, along, procedure } = station;
      const reach = reachOf(procedure) ?? 0;
      return { at, id, name: stationName(station), along, from: along - reach, to: along + reach };
    })
    .sort((a, b) => a.along - b.along);
  for (const { at, name, from, to } of placed)
    if (from < 0 || to > exact)
      throw new InputError(
        "limit",
        say("lies-beyond-the-piece-it-is-worked", {
          name,
          from: metres(from),
          to: metres(to),
          exact: metres(exact),
        }),
        ["stations", at, "along"],
      );
  placed.forEach((opening, i) => {
    const next = placed[i + 1];
    if (next && next.from < opening.to)
      throw new InputError(
        "does-not-fit",
        say("the-opening-lies-over-their-work-overlaps", {
          next: next.name,
          opening: opening.name,
          length: formatMm(Math.ceil((opening.to - next.from) / 1000) * 1000),
        }),
        ["stations", next.at, "along"],
      );
  });
  return placed.map(({ at: _, ...opening }) => opening);
}

const metres = (length: number): string => (length / 1_000_000).toFixed(2);
