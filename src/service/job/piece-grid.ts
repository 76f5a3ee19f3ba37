import type { JobId } from "@/core";
import { type Piece, type PieceParts, problemOf, type SideSheet } from "@/core";
import type { Store } from "@/store/database/store";
import { findJob } from "@/store/plan/plans";
import { allPieces } from "./jobs";
import { partsOf } from "./planning";

/** Pieces shown as a grid at a time. */
const GRID_PIECES = 300;

/** The pieces of a job with what each one's need is worked out from, so that a cell typed is counted at once. */
interface PieceGrid {
  readonly job: { readonly id: string; readonly name: string };
  readonly pieces: readonly Piece[];
  /** How many there are in all. */
  readonly count: number;
  /** By the piece's id; null where what ends it does not go with its cable any more. */
  readonly parts: Readonly<Record<string, Omit<PieceParts, "cable"> | null>>;
}

/** What of a sheet a need is worked out from, and no more. */
const usesOf = (sheet: SideSheet | null): SideSheet | null =>
  sheet && {
    uses: sheet.uses,
    procedure: { name: sheet.procedure.name, representative: sheet.procedure.representative },
  };

function partsIn(store: Store, { plan }: Piece): Omit<PieceParts, "cable"> | null {
  try {
    const { reach, sheets, opened } = partsOf(store, plan);
    const openedOf = (side: typeof opened.A) => {
      const sheet = usesOf(side?.sheet ?? null);
      return side && sheet ? { sheet, ends: side.ends } : null;
    };
    return {
      reach,
      sheets: { A: usesOf(sheets.A), B: usesOf(sheets.B) },
      opened: { A: openedOf(opened.A), B: openedOf(opened.B) },
    };
  } catch (error) {
    if (problemOf(error)) return null;
    throw error;
  }
}

/** Null where there is no such job. */
export function findGrid(store: Store, id: JobId): PieceGrid | null {
  const job = findJob(store, id);
  if (!job) return null;
  const all = allPieces(store, id);
  const pieces = all.slice(0, GRID_PIECES);
  return {
    job: { id: job.id, name: job.name },
    pieces,
    count: all.length,
    parts: Object.fromEntries(pieces.map((piece) => [piece.id, partsIn(store, piece)])),
  };
}
