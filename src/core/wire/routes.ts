import { z } from "zod";
import { said } from "../words/service";
import {
  zAimsAnswer,
  zBackupsAnswer,
  zBladeAnswer,
  zBladesAnswer,
  zFindingsAnswer,
  zGrowth,
  zLatestSeal,
  zRecordChecked,
  zRevisionAnswer,
  zSealAnswer,
  zStudiesAnswer,
  zStudyAnswer,
  zTimersAnswer,
} from "./answers";
import { CREW_ROUTES } from "./crew-routes";
import { ENDS_ROUTES } from "./ends-routes";
import { JOB_PLAN_ROUTES } from "./job-plan-routes";
import { zPulseAnswer } from "./jobs";
import {
  zCardQuery,
  zGaugeQuery,
  zGrowthQuery,
  zJobPrintQuery,
  zLedgerQuery,
  zProofQuery,
  zRecordCheck,
  zSealText,
} from "./keeping-requests";
import { LIGHT_ROUTES } from "./light-routes";
import { PLANS_ROUTES } from "./plans-routes";
import { type Media, route, zNothing } from "./route";
import { zConfirm, zPutAway, zRestore, zSave } from "./shelf-requests";
import { SHIFT_ROUTES } from "./shift-routes";
import { zAimQuery, zStudy, zToolEvent } from "./workshop-requests";
import { YIELD_ROUTES } from "./yield-routes";

const zRevisionQuery = z.strictObject({
  revision: z.coerce.number(said("revision-must-be-a-whole-number")).int().min(1).optional(),
});
const zLedgerFile = zLedgerQuery.extend({ format: z.enum(["json", "csv", "pdf"]).default("json") });
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
  ...ENDS_ROUTES,
  ...PLANS_ROUTES,
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
  "get /pulse": route({
    does: "How far the record has come: it moves when an end is begun or signed, or a plan changed.",
    answer: zPulseAnswer,
  }),
} as const;

export type ApiKey = keyof typeof API;

/** The names in braces of an address, each with a text: `{id}` gives `{ id: string }`. */
export type RouteParams<Key extends string> = Key extends `${string}{${infer Name}}${infer Rest}`
  ? { readonly [N in Name]: string } & RouteParams<Rest>
  : unknown;
