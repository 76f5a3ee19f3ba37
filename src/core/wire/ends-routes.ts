import { z } from "zod";
import { PICTURES } from "../event/kinds/closing";
import { zRecord } from "../record/document";
import { said } from "../words/service";
import { zBenchAnswer, zIdAnswer } from "./answers";
import { zBatch, zBatchQuery, zBenchQuery, zPhotoQuery, zStart } from "./ends-requests";
import { zAdd, zAddMany, zEventsAnswer, zMembersAnswer } from "./events";
import { zPdfQuery } from "./keeping-requests";
import { route } from "./route";

const zAfter = z.strictObject({
  after: z.coerce.number(said("after-must-be-a-whole-number")).int().min(0).default(0),
});
const PICTURE_MEDIA = PICTURES.map((type) => `image/${type}`);

/** The interface for programs: ends, batches and photographs at the bench. */
export const ENDS_ROUTES = {
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
} as const;
