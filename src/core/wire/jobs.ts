import { z } from "zod";
import { zCable } from "../cable/cable";
import { zClosureRecorded } from "../closure/closure-event";
import { zClosureCable, zClosurePlan } from "../entry/closure";
import { zName } from "../names/names";
import type { SlackTold } from "../piece/account";
import type { Across } from "../piece/across";
import type { Identity } from "../piece/identity";
import { type Place, type PlaceSide, zPlace } from "../piece/places";
import { zPiecePlan } from "../piece/plan";
import { type PlaceStanding, STANDINGS } from "../piece/standing";
import { type CutPlace, zParted } from "../piece/station";
import { zProcedure } from "../procedure/procedure";
import { zLegTold } from "../record/legs";

/** A piece as it is planned now; `revision` is what a change of it must have seen. */
const zPiece = z.strictObject({ id: z.string(), revision: z.int(), plan: zPiecePlan });
export type Piece = z.output<typeof zPiece>;

const zProgress = z.partialRecord(z.enum(STANDINGS), z.int());

/** A job with its pieces, a page at a time. */
export const zJobAnswer = z.strictObject({
  id: z.string(),
  name: zName,
  createdAt: z.string(),
  /** Pieces in all, and those the words were found in. */
  count: z.int(),
  found: z.int(),
  /** How many places of all pieces stand how. */
  progress: zProgress,
  pieces: z.array(zPiece).readonly(),
  /** Where the next page goes on, or null at the end. */
  next: z.string().nullable(),
});
export type Job = z.output<typeof zJobAnswer>;

/** Jobs, newest first, a page at a time. */
export const zJobsAnswer = z.strictObject({
  rows: z
    .array(
      z.strictObject({
        id: z.string(),
        name: zName,
        createdAt: z.string(),
        pieces: z.int(),
        progress: zProgress,
      }),
    )
    .readonly(),
  /** Where the next page goes on, or null at the end. */
  next: z.string().nullable(),
});

/** Pieces that were added, by their ids, in their order. */
export const zPiecesAnswer = z.strictObject({ pieces: z.array(zPiece).readonly() });

/** A piece with how each of its places stands, in the order of their addresses. */
export const zPieceAnswer = zPiece.extend({
  places: z
    .array(
      z.strictObject({
        ...zPlace.shape,
        /** Its address as it is written; empty for the cable itself. */
        text: z.string(),
        procedure: z.string(),
        standing: z.enum(STANDINGS),
        /** The newest end there, and the batch it is of. */
        end: z.string().nullable(),
        batch: z.string().nullable(),
        /** Each leg of a cord of several, as it stands by itself; none where nothing is begun. */
        legs: z.array(zLegTold).readonly(),
      }),
    )
    .readonly(),
});
export type PieceAnswer = z.output<typeof zPieceAnswer>;

/** A closure as it is planned now; `revision` is what a change of it must have seen. */
export const zClosure = z.strictObject({ id: z.string(), revision: z.int(), plan: zClosurePlan });
export type Closure = z.output<typeof zClosure>;

/** A closure with how each of its cables stands. */
export const zClosureAnswer = zClosure.extend({
  job: z.string(),
  cables: z
    .array(
      zClosureCable.extend({
        /** The piece it is of and where on it, as it is said; empty for one that is planned nowhere. */
        at: z.string(),
        standing: z.enum(STANDINGS),
        end: z.string().nullable(),
        batch: z.string().nullable(),
        /** Why it cannot be begun as it is planned now, in words; null where it can. */
        trouble: z.string().nullable(),
        /** Fibres its piece's plan parts there. */
        parted: z.array(zParted).readonly(),
      }),
    )
    .readonly(),
});
export type ClosureAnswer = z.output<typeof zClosureAnswer>;

/** What happened to a closure as it was worked at, in order. */
export const zClosureEventsAnswer = z.strictObject({ events: z.array(zClosureRecorded).readonly() });

/** Closures of a job, in the order they came. */
export const zClosuresAnswer = z.strictObject({ closures: z.array(zClosure).readonly() });

/** How far the record has come. */
export const zPulseAnswer = z.strictObject({ n: z.int() });

/** An end begun at a place, or several as a batch. */
export const zBegunAnswer = z.strictObject({ id: z.string(), batch: z.boolean() });

/** What is about to begin, and whether any of its figures was never held against the part's own sheet. */
export const zAheadAnswer = z.strictObject({
  unchecked: z.boolean(),
  procedure: zProcedure,
  cable: zCable,
  core: z.string(),
  choices: z.record(z.string(), z.string()),
});
export type Ahead = z.output<typeof zAheadAnswer>;

/** What stands at the other end of an end's fibres. */
export interface FarSide {
  /** What that side is called; empty where nobody said. */
  readonly place: string;
  /** Fibres this end has. */
  readonly fibres: number;
  /** Ends planned or made on them over there; of many, the first are shown. */
  readonly count: number;
  readonly ends: readonly FarEnd[];
}

export interface FarEnd {
  readonly side: PlaceSide;
  /** `side B, fibre 7`. */
  readonly text: string;
  readonly standing: PlaceStanding;
  readonly style: string;
  /** What was picked of it, by name. */
  readonly as: readonly string[];
  readonly end: string | null;
  readonly signedBy: string | null;
  readonly signedAt: string | null;
  /** What must go together over both ends. */
  readonly across: readonly Across[];
}

/** Where an end is made: its piece and job, what stands at the other end of its fibres, and the slack there is. */
export interface WhereTold {
  readonly job: { readonly id: string; readonly name: string };
  readonly piece: { readonly id: string; readonly name: string };
  readonly place: Place;
  readonly text: string;
  readonly far: FarSide;
  readonly slack: SlackTold;
  /** Fibres that are parted where it is opened in mid-run, in the order of their numbers; none elsewhere. */
  readonly parted: readonly PartedTold[];
}

/** A fibre that is parted: where in the opening, in which tube or ribbon, and by which colours it is known. */
export interface PartedTold extends Identity {
  readonly kind: string;
  readonly at: CutPlace;
}
