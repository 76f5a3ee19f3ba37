import { z } from "zod";
import {
  operations,
  zAdd,
  zAddMany,
  zAimsAnswer,
  zBackupsAnswer,
  zBenchAnswer,
  zBladeAnswer,
  zBladesAnswer,
  zEnteredAnswer,
  zEventsAnswer,
  zFindingsAnswer,
  zIdAnswer,
  zMembersAnswer,
  zPeopleAnswer,
  zRecord,
  zRecordChecked,
  zRevisionAnswer,
  zSealAnswer,
  zStudiesAnswer,
  zStudyAnswer,
  zTimersAnswer,
} from "@/core";
import { zEnter } from "@/service/crew/crew";
import { zMerge, zNewPerson, zRename } from "@/service/crew/people";
import { zBatch, zBatchQuery } from "@/service/end/batches";
import { zBenchQuery } from "@/service/end/bench-page";
import { zStart } from "@/service/end/ends";
import { zPhotoQuery } from "@/service/end/photos";
import { zRecordCheck } from "@/service/keeping/record-check";
import { zSealText } from "@/service/keeping/seal";
import { zLedgerQuery, zPdfQuery } from "@/service/ledger/ledger";
import { zConfirm, zPutAway, zRestore, zSave } from "@/service/shelf/shelf";
import { zAimQuery } from "@/service/workshop/aims";
import { zStudy } from "@/service/workshop/studies";
import { zToolEvent } from "@/service/workshop/tools";
import { zActing } from "./acting";
import { PLAN_ROUTES } from "./plan-routes";
import { acted, type Media, type Route } from "./route-type";

export type { Route } from "./route-type";

const zNothing = z.strictObject({});
const zFormat = zLedgerQuery.extend({ format: z.enum(["json", "csv", "pdf"]).default("json") });
const zAfter = z.strictObject({ after: z.int().min(0).default(0) });
const JSON_SCHEMA: Media = { media: ["application/schema+json", "application/json"] };

/** Everything the interface for programs does: its page is made of this, and its tests hold the server to it. */
export const ROUTES: readonly Route[] = [
  ...Object.entries(operations).map(
    ([name, { input, output }]): Route => ({
      method: "post",
      path: `/compute/${name}`,
      does: `Computes ${name}.`,
      body: input,
      answer: output,
    }),
  ),
  {
    method: "get",
    path: "/ends",
    does: "Work at the bench, newest first, a page at a time.",
    query: zBenchQuery,
    answer: zBenchAnswer,
  },
  {
    method: "post",
    path: "/ends",
    does: "Begins an end from a sheet.",
    body: acted(zStart),
    answer: zIdAnswer,
    status: 201,
  },
  {
    method: "get",
    path: "/ends/{id}",
    does: "What happened to an end after an event.",
    query: zAfter,
    answer: zEventsAnswer,
  },
  {
    method: "post",
    path: "/ends/{id}/events",
    does: "Adds events to an end, all or none.",
    body: acted(zAdd),
    answer: zEventsAnswer,
  },
  { method: "get", path: "/ends/{id}/record", does: "The full record of an end.", answer: zRecord },
  {
    method: "get",
    path: "/ends/{id}/pdf",
    does: "The record of an end on paper: on one page, or the whole log.",
    query: zPdfQuery,
    answer: { media: ["application/pdf"] },
  },
  {
    method: "post",
    path: "/ends/{id}/photos",
    does: "Stores a photograph with an end.",
    query: zPhotoQuery.extend(zActing.shape),
    body: { media: ["image/jpeg", "image/png", "image/webp"] },
    answer: zEventsAnswer,
  },
  {
    method: "get",
    path: "/photos/{sha256}",
    does: "A photograph's bytes.",
    answer: { media: ["image/jpeg"] },
  },
  {
    method: "post",
    path: "/batches",
    does: "Begins many ends of one connector.",
    body: acted(zBatch),
    answer: zIdAnswer,
    status: 201,
  },
  {
    method: "get",
    path: "/batches/{id}",
    does: "What happened to each end of a batch.",
    query: zBatchQuery,
    answer: zMembersAnswer,
  },
  {
    method: "post",
    path: "/batches/{id}",
    does: "Adds events to several ends of a batch, all or none.",
    body: acted(zAddMany),
    answer: zMembersAnswer,
  },
  ...PLAN_ROUTES,
  {
    method: "get",
    path: "/ledger",
    does: "Ends on record, as a file.",
    query: zFormat,
    answer: { media: ["application/json", "text/csv", "application/pdf"] },
  },
  { method: "get", path: "/timers", does: "Holds and cures running now.", answer: zTimersAnswer },
  {
    method: "get",
    path: "/aims",
    does: "How a person makes each length.",
    query: zAimQuery,
    answer: zAimsAnswer,
  },
  { method: "get", path: "/studies", does: "Repeatability studies, newest first.", answer: zStudiesAnswer },
  {
    method: "post",
    path: "/studies",
    does: "Stores a repeatability study.",
    body: acted(zStudy),
    answer: zStudyAnswer,
    status: 201,
  },
  { method: "get", path: "/tools", does: "Tools with a blade, and what is due.", answer: zBladesAnswer },
  {
    method: "post",
    path: "/tools/{id}",
    does: "Notes that a blade was wiped, turned or replaced.",
    body: acted(zToolEvent),
    answer: zBladeAnswer,
    status: 201,
  },
  { method: "get", path: "/people", does: "Everybody who works here.", answer: zPeopleAnswer },
  {
    method: "post",
    path: "/people",
    does: "Adds a person.",
    body: acted(zNewPerson),
    answer: zPeopleAnswer,
    status: 201,
  },
  {
    method: "post",
    path: "/people/{id}/name",
    does: "Renames a person.",
    body: acted(zRename),
    answer: zPeopleAnswer,
  },
  {
    method: "post",
    path: "/people/{id}/merge",
    does: "Merges a person into another.",
    body: acted(zMerge),
    answer: zPeopleAnswer,
  },
  {
    method: "post",
    path: "/shelf/{kind}",
    does: "Saves a document as the next revision.",
    body: acted(zSave),
    answer: zRevisionAnswer,
  },
  {
    method: "get",
    path: "/shelf/{kind}/{id}",
    does: "A document as a file.",
    query: z.strictObject({ revision: z.int().min(1).optional() }),
    answer: { media: ["application/json"] },
  },
  {
    method: "post",
    path: "/shelf/{kind}/{id}/figures",
    does: "Stores figures checked against the part's sheet.",
    body: acted(zConfirm),
    answer: zRevisionAnswer,
  },
  {
    method: "post",
    path: "/shelf/{kind}/{id}/restore",
    does: "Puts an earlier revision back.",
    body: acted(zRestore),
    answer: zRevisionAnswer,
  },
  {
    method: "post",
    path: "/shelf/{kind}/{id}/away",
    does: "Puts a document of one's own away.",
    body: acted(zPutAway),
    answer: zRevisionAnswer,
  },
  {
    method: "get",
    path: "/schema/{kind}",
    does: "The JSON Schema of a kind of document.",
    answer: JSON_SCHEMA,
  },
  {
    method: "get",
    path: "/record-check",
    does: "Checks a stretch of the record.",
    query: zRecordCheck,
    answer: zRecordChecked,
  },
  { method: "get", path: "/seal", does: "One number for the whole record: its seal.", answer: zSealAnswer },
  {
    method: "post",
    path: "/seal",
    does: "Checks the record against an earlier seal.",
    body: zSealText,
    answer: zFindingsAnswer,
  },
  {
    method: "get",
    path: "/backup",
    does: "The whole record and its photographs in one file.",
    answer: { media: ["application/x-tar"] },
  },
  {
    method: "get",
    path: "/backups",
    does: "The state of automatic backups.",
    answer: zBackupsAnswer,
  },
  {
    method: "post",
    path: "/enter",
    does: "Lets a device in by the crew's key.",
    body: zEnter,
    answer: zEnteredAnswer,
  },
  {
    method: "get",
    path: "/openapi",
    does: "This page, for programs.",
    query: zNothing,
    answer: { media: ["application/json"] },
  },
];
