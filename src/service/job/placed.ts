import { placeKey } from "@/core";
import type { EndRow, PlacedRow } from "@/store/record/ends";

/** Where an end is, by the key of its place; empty for an end by itself. */
export const keyOfEnd = ({ side, address }: Pick<EndRow, "side" | "address">): string =>
  side && address ? placeKey({ side, address }) : "";

/** The newest end of each place, by its key. */
export function newestAt(rows: readonly PlacedRow[]): Map<string, PlacedRow> {
  const newest = new Map<string, PlacedRow>();
  for (const row of rows) newest.set(keyOfEnd(row), row);
  return newest;
}
