import { z } from "zod";
import { zClosureRecord } from "../closure/closure-record";
import { PICTURES } from "../event/kinds/closing";
import { zRecord } from "../record/record";
import { said } from "../words/service";
import {
  zAimsAnswer,
  zBackupsAnswer,
  zBenchAnswer,
  zBladeAnswer,
  zBladesAnswer,
  zFindingsAnswer,
  zGrowth,
  zIdAnswer,
  zLatestSeal,
  zRecordChecked,
  zRevisionAnswer,
  zSealAnswer,
  zStudiesAnswer,
  zStudyAnswer,
  zTimersAnswer,
} from "./answers";
import { CREW_ROUTES } from "./crew-routes";
import { zBatch, zBatchQuery, zBenchQuery, zPhotoQuery, zStart } from "./ends-requests";
import { zAdd, zAddMany, zEventsAnswer, zMembersAnswer } from "./events";
import { JOB_PLAN_ROUTES } from "./job-plan-routes";
import {
  zAheadAnswer,
  zBegunAnswer,
  zClosure,
  zClosureAnswer,
  zClosureEventsAnswer,
  zClosuresAnswer,
  zJobAnswer,
  zJobsAnswer,
  zPieceAnswer,
  zPiecesAnswer,
  zPulseAnswer,
} from "./jobs";
import {
  zCardQuery,
  zClosureFile,
  zGaugeQuery,
  zGrowthQuery,
  zJobPrintQuery,
  zLedgerQuery,
  zPdfQuery,
  zProofQuery,
  zRecordCheck,
  zSealText,
} from "./keeping-requests";
import { LIGHT_ROUTES } from "./light-routes";
import { zLinkAnswer, zLinkQuery } from "./link";
import {
  zAddClosureEvents,
  zBeginClosure,
  zBeginPlaces,
  zCableQuery,
  zJobQuery,
  zJobsQuery,
  zNewClosure,
  zNewJob,
  zNewPieces,
  zPlaceQuery,
  zSaveClosure,
  zSavePlan,
} from "./plans-requests";
import { type Media, route, zNothing } from "./route";
import { zConfirm, zPutAway, zRestore, zSave } from "./shelf-requests";
import { SHIFT_ROUTES } from "./shift-routes";
import { zAimQuery, zStudy, zToolEvent } from "./workshop-requests";
import { YIELD_ROUTES } from "./yield-routes";

const zAfter = z.strictObject({
  after: z.coerce.number(said("after-must-be-a-whole-number")).int().min(0).default(0),
});
const zRevisionQuery = z.strictObject({
  revision: z.coerce.number(said("revision-must-be-a-whole-number")).int().min(1).optional(),
});
const zLedgerFile = zLedgerQuery.extend({ format: z.enum(["json", "csv", "pdf"]).default("json") });
const PICTURE_MEDIA = PICTURES.map((type) => `image/${type}`);
const JSON_SCHEMA: Media = { media: ["application/schema+json", "application/json"] };

/**
 * Everything the interface for programs does, by method and address. Its handlers, its OpenAPI page and the client of the
 * pages are typed by this table. Computations have addresses of their own, by name.
 */
export const API = {
  ...CREW_ROUTES,
  ...LIGHT_ROUTES,
  ...SHIFT_ROUTES,
  ...JOB_PLAN_ROUTES,
  ...YIELD_ROUTES,
  "get /ends": route({
    does: "Work at the bench, newest first, a page at a time.",
    query: zBenchQuery,
    answer: zBenchAnswer,
  }),
  "post /ends": route({
    does: "Begins an end from a sheet.",
    body: zStart,
    answer: zIdAnswer,
    status: 201,
    acts: true,
    logged: true,
  }),
  "get /ends/{id}": route({
    does: "What happened to an end after an event.",
    query: zAfter,
    answer: zEventsAnswer,
  }),
  "post /ends/{id}/events": route({
    does: "Adds events to an end, all or none.",
    body: zAdd,
    answer: zEventsAnswer,
    acts: true,
    roles: ["technician", "lead", "inspector"],
  }),
  "get /ends/{id}/record": route({ does: "The full record of an end.", answer: zRecord }),
  "get /ends/{id}/pdf": route({
    does: "The record of an end on paper: on one page, or the whole log.",
    query: zPdfQuery,
    answer: { media: ["application/pdf"] },
  }),
  "post /ends/{id}/photos": route({
    does: "Stores a photograph with an end.",
    query: zPhotoQuery,
    body: { media: PICTURE_MEDIA },
    answer: zEventsAnswer,
    acts: true,
  }),
  "get /photos/{sha256}": route({ does: "A photograph's bytes.", answer: { media: PICTURE_MEDIA } }),
  "post /batches": route({
    does: "Begins many ends of one connector.",
    body: zBatch,
    answer: zIdAnswer,
    status: 201,
    acts: true,
    logged: true,
  }),
  "get /batches/{id}": route({
    does: "What happened to each end of a batch.",
    query: zBatchQuery,
    answer: zMembersAnswer,
  }),
  "post /batches/{id}": route({
    does: "Adds events to several ends of a batch, all or none.",
    body: zAddMany,
    answer: zMembersAnswer,
    acts: true,
    roles: ["technician", "lead", "inspector"],
  }),
  "get /ledger": route({
    does: "Ends on record, as a file.",
    query: zLedgerFile,
    answer: { media: ["application/json", "text/csv", "application/pdf"] },
    roles: ["technician", "lead", "inspector", "keeper"],
    logged: true,
  }),
  "get /cards": route({
    does: "The strip cards of a sheet at true scale: on paper, or one page as a drawing in millimetres.",
    query: zCardQuery,
    answer: { media: ["application/pdf", "image/svg+xml", "image/vnd.dxf"] },
  }),
  "get /gauges": route({
    does: "One gauge for several styles at true scale, no mark of one near a mark of another on the same edge.",
    query: zGaugeQuery,
    answer: { media: ["application/pdf", "image/svg+xml", "image/vnd.dxf"] },
  }),
  "get /jobs/{id}/print": route({
    does: "Strip cards, a pocket card, labels and the cut list of a job, in one file.",
    query: zJobPrintQuery,
    answer: { media: ["application/pdf", "image/svg+xml"] },
  }),
  "get /timers": route({ does: "Holds and cures running now.", answer: zTimersAnswer }),
  "get /aims": route({ does: "How a person makes each length.", query: zAimQuery, answer: zAimsAnswer }),
  "get /studies": route({ does: "Repeatability studies, newest first.", answer: zStudiesAnswer }),
  "post /studies": route({
    does: "Stores a repeatability study.",
    body: zStudy,
    answer: zStudyAnswer,
    status: 201,
    acts: true,
  }),
  "get /tools": route({ does: "Tools with a blade, and what is due.", answer: zBladesAnswer }),
  "post /tools/{id}": route({
    does: "Notes that a blade was wiped, turned or replaced.",
    body: zToolEvent,
    answer: zBladeAnswer,
    status: 201,
    acts: true,
  }),
  "post /shelf/{kind}": route({
    does: "Saves a document as the next revision.",
    body: zSave,
    answer: zRevisionAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /shelf/{kind}/{id}": route({
    does: "A document as a file.",
    query: zRevisionQuery,
    answer: { media: ["application/json"] },
  }),
  "post /shelf/{kind}/{id}/figures": route({
    does: "Stores figures checked against the part's sheet.",
    body: zConfirm,
    answer: zRevisionAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
    logged: true,
  }),
  "post /shelf/{kind}/{id}/restore": route({
    does: "Puts an earlier revision back.",
    body: zRestore,
    answer: zRevisionAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
    logged: true,
  }),
  "post /shelf/{kind}/{id}/away": route({
    does: "Puts a document of one's own away.",
    body: zPutAway,
    answer: zRevisionAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /schema/{kind}": route({ does: "The JSON Schema of a kind of document.", answer: JSON_SCHEMA }),
  "get /record-check": route({
    does: "Checks a stretch of the record.",
    query: zRecordCheck,
    answer: zRecordChecked,
  }),
  "get /seal": route({ does: "One number for the whole record: its seal.", answer: zSealAnswer }),
  "post /seal": route({
    does: "Checks the record against an earlier seal.",
    body: zSealText,
    answer: zFindingsAnswer,
  }),
  "get /seal/latest": route({
    does: "The newest seal this server signed, in one line: for a device to keep as a witness.",
    answer: zLatestSeal,
  }),
  "get /seal/growth": route({
    does: "Proves that the register only grew, from so many lines to those of the newest seal (RFC 6962).",
    query: zGrowthQuery,
    answer: zGrowth,
  }),
  "get /proof": route({
    does: "Ends with all that proves them, for somebody without Arlent: one, those of a job, or all.",
    query: zProofQuery,
    answer: { media: ["application/x-tar"] },
    roles: ["technician", "lead", "inspector", "keeper"],
    logged: true,
  }),
  "get /backup": route({
    does: "The whole record and its photographs in one file.",
    answer: { media: ["application/x-tar"] },
    roles: ["keeper"],
    logged: true,
  }),
  "get /backups": route({ does: "The state of automatic backups.", answer: zBackupsAnswer }),
  "get /openapi": route({
    does: "This page, for programs.",
    query: zNothing,
    answer: { media: ["application/json"] },
  }),
  "get /jobs": route({
    does: "Jobs, newest first, a page at a time.",
    query: zJobsQuery,
    answer: zJobsAnswer,
  }),
  "post /jobs": route({
    does: "Begins a job.",
    body: zNewJob,
    answer: zIdAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /jobs/{id}": route({
    does: "A job with its pieces as planned, a page at a time.",
    query: zJobQuery,
    answer: zJobAnswer,
  }),
  "post /jobs/{id}": route({
    does: "Adds pieces to a job, all or none.",
    body: zNewPieces,
    answer: zPiecesAnswer,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /pieces/{id}": route({ does: "A piece with how each of its places stands.", answer: zPieceAnswer }),
  "get /pieces/{id}/link": route({
    does: "The link a fibre of a piece is part of: what light meets, its expected loss, what was measured over it.",
    query: zLinkQuery,
    answer: zLinkAnswer,
  }),
  "get /pieces/{id}/ends": route({
    does: "What begins at a place of a piece, with the documents it would be made by.",
    query: zPlaceQuery,
    answer: zAheadAnswer,
  }),
  "post /pieces/{id}/ends": route({
    does: "Begins the end at a place of a piece, or several of one side as a batch.",
    body: zBeginPlaces,
    answer: zBegunAnswer,
    status: 201,
    acts: true,
    logged: true,
  }),
  "post /pieces/{id}": route({
    does: "Saves a change to a piece's plan, or takes the piece off its job.",
    body: zSavePlan,
    answer: zRevisionAnswer,
    acts: true,
    roles: ["lead"],
  }),
  "get /jobs/{id}/closures": route({
    does: "Closures of a job, in the order they came.",
    answer: zClosuresAnswer,
  }),
  "post /jobs/{id}/closures": route({
    does: "Adds a closure to a job.",
    body: zNewClosure,
    answer: zClosure,
    status: 201,
    acts: true,
    roles: ["lead"],
  }),
  "get /pulse": route({
    does: "How far the record has come: it moves when an end is begun or signed, or a plan changed.",
    answer: zPulseAnswer,
  }),
  "get /closures/{id}": route({
    does: "A closure with how each of its cables stands.",
    answer: zClosureAnswer,
  }),
  "get /closures/{id}/ends": route({
    does: "What begins for a cable of a closure, with the documents it would be made by.",
    query: zCableQuery,
    answer: zAheadAnswer,
  }),
  "post /closures/{id}/ends": route({
    does: "Begins a cable of a closure, or several like ones as a batch.",
    body: zBeginClosure,
    answer: zBegunAnswer,
    status: 201,
    acts: true,
    logged: true,
  }),
  "get /closures/{id}/events": route({
    does: "What happened to a closure as it was worked at, in order.",
    answer: zClosureEventsAnswer,
  }),
  "post /closures/{id}/events": route({
    does: "Adds to what happened to a closure: acts, looks, readings, splices; refused where they cannot be yet.",
    body: zAddClosureEvents,
    answer: zClosureEventsAnswer,
    acts: true,
  }),
  "get /closures/{id}/record": route({
    does: "The record of a closure: cables, work, splices with their tries, spares, openings.",
    answer: zClosureRecord,
  }),
  "get /closures/{id}/file": route({
    does: "The record of a closure as a file: on paper, or a row a thing.",
    query: zClosureFile,
    answer: { media: ["application/pdf", "text/csv"] },
  }),
  "post /closures/{id}": route({
    does: "Saves a change to a closure, or takes it off its job.",
    body: zSaveClosure,
    answer: zRevisionAnswer,
    acts: true,
    roles: ["lead"],
  }),
} as const;

export type ApiKey = keyof typeof API;

/** The names in braces of an address, each with a text: `{id}` gives `{ id: string }`. */
export type RouteParams<Key extends string> = Key extends `${string}{${infer Name}}${infer Rest}`
  ? { readonly [N in Name]: string } & RouteParams<Rest>
  : unknown;
