import { z } from "zod";
import { zClosureEvent } from "../closure/closure-event";
import { zRule } from "../conformance/conformance";
import { zClosurePlan } from "../entry/closure";
import { PURPOSES } from "../event/recorded";
import { zName, zUuid } from "../names/names";
import { zAddress } from "../piece/address";
import { zPlaceSide } from "../piece/places";
import { zPiecePlan } from "../piece/plan";
import { zStationId } from "../piece/station";
import { zSplicePlan } from "../splice/splice-plan";
import { said } from "../words/service";
import { BATCH_LIMIT } from "./events";

export const zNewJob = z.strictObject({
  id: zUuid(said("a-jobs-id-must-be-a-uuid")).optional(),
  name: z.string(said("a-job-has-a-name")).trim().pipe(zName),
  like: zUuid(said("a-jobs-id-must-be-a-uuid"))
    .optional()
    .describe("A job whose pieces it begins with, as they are planned: a usual site"),
});

export const zNewPieces = z.strictObject({
  pieces: z
    .array(z.strictObject({ id: zUuid(said("a-pieces-id-must-be-a-uuid")).optional(), plan: zPiecePlan }))
    .min(1, said("send-at-least-one-piece"))
    .max(300, said("send-at-most-300-pieces-at-a")),
});

export const zSavePlan = z.strictObject({
  /** The revision the change was made on. */
  basis: z.int().min(1),
  /** Null takes the piece off the job; a plan puts it back. */
  plan: zPiecePlan.nullable(),
});

const zWords = z
  .string()
  .max(200, said("search-for-at-most-200-characters"))
  .optional()
  .describe("Words that all stand in its name");

export const zJobsQuery = z.strictObject({
  words: zWords,
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/i, said("from-must-be-a-value-this-list"))
    .optional(),
});

export const zJobQuery = z.strictObject({
  words: zWords,
  after: z
    .string()
    .regex(/^\d{1,15}$/, said("from-must-be-a-value-this-list"))
    .optional(),
});

export const zBeginClosure = z.strictObject({
  /** Of the end, or of the batch where there are several cables. */
  id: zUuid(said("an-id-is-a-uuid")).optional(),
  /** Ids of the cables, as the closure's plan has them. */
  cables: z
    .array(zStationId)
    .min(1, said("name-at-least-one-cable"))
    .max(32, said("at-most-32-cables"))
    .refine((all) => new Set(all).size === all.length, said("name-each-cable-once")),
  rule: zRule.default({ kind: "guarded", risk: 0.05 }),
  purpose: z.enum(PURPOSES, said("purpose-must-be-work-or-practice")).default("work"),
});

export const zCableQuery = z.strictObject({ cable: zStationId });

export const zStyle = z.strictObject({
  procedure: z.string().max(80),
  /** The revision the sheet was drawn from: another one since is shown, not used. */
  revision: z.int().min(1).optional(),
  choices: z.record(z.string().max(80), z.string().max(80)).default({}),
});

export const zBeginPlaces = z.strictObject({
  /** Of the end, or of the batch where there are several places. */
  id: zUuid(said("an-id-is-a-uuid")).optional(),
  side: zPlaceSide,
  addresses: z
    .array(zAddress)
    .min(1, said("name-at-least-one-place"))
    .max(BATCH_LIMIT, said("at-most-places-at-once", { batchLimit: BATCH_LIMIT })),
  /** Another style than the plan's. */
  style: zStyle.optional(),
  rule: zRule.default({ kind: "guarded", risk: 0.05 }),
  purpose: z.enum(PURPOSES, said("purpose-must-be-work-or-practice")).default("work"),
});

export const zPlaceQuery = z.strictObject({
  side: zPlaceSide,
  /** As it is written; none for the cable itself. */
  at: z.string().max(200, said("an-address-must-have-at-most-200")).default(""),
});

export const zNewClosure = z.strictObject({
  id: zUuid(said("a-closures-id-must-be-a-uuid")).optional(),
  plan: zClosurePlan,
});

/** Events of a closure's work; each under an id of its own, so that one sent twice is kept once. */
export const zAddClosureEvents = z.strictObject({
  /** The window or program that sends them. */
  client: z.string().min(1).max(100),
  events: z
    .array(z.strictObject({ id: zUuid(said("an-events-id-must-be-a-uuid")), event: zClosureEvent }))
    .min(1, said("send-at-least-one-event"))
    .max(100, said("send-at-most-100-events")),
});

export const zSaveClosure = z.strictObject({
  /** The revision the change was made on. */
  basis: z.int().min(1),
  /** Null takes the closure off the job; a plan puts it back. One that says nothing of splices leaves them as they are. */
  plan: zClosurePlan.extend({ splicing: zSplicePlan.optional() }).nullable(),
});
