import { z } from "zod";
import { zName } from "../names/names";
import { zPiecePlan } from "../piece/plan";

/** A piece as it is planned now; `revision` is what a change of it must have seen. */
export const zPiece = z.strictObject({ id: z.string(), revision: z.int(), plan: zPiecePlan });
export type Piece = z.output<typeof zPiece>;

/** A job with all its pieces. */
export const zJobAnswer = z.strictObject({
  id: z.string(),
  name: zName,
  createdAt: z.string(),
  pieces: z.array(zPiece).readonly(),
});
export type Job = z.output<typeof zJobAnswer>;

/** Jobs, newest first, a page at a time. */
export const zJobsAnswer = z.strictObject({
  rows: z
    .array(z.strictObject({ id: z.string(), name: zName, createdAt: z.string(), pieces: z.int() }))
    .readonly(),
  /** Where the next page goes on, or null at the end. */
  next: z.string().nullable(),
});

/** Pieces that were added, by their ids, in their order. */
export const zPiecesAnswer = z.strictObject({ pieces: z.array(zPiece).readonly() });
