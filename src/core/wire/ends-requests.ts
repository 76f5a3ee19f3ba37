import { z } from "zod";
import { zRule } from "../conformance/conformance";
import { PURPOSES } from "../event/recorded";
import { zUuid } from "../names/names";
import { said } from "../words/service";
import { BATCH_LIMIT } from "./events";

export const zBenchQuery = z.strictObject({
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/i, said("from-must-be-a-value-this-list"))
    .optional(),
});

export const zStart = z.strictObject({
  id: zUuid(said("an-ends-id-must-be-a-uuid")).optional(),
  cable: z.string().max(80),
  procedure: z.string().max(80),
  /** The procedure's revision the sheet was drawn from: another one since is shown, not used. */
  revision: z.int().min(1).optional(),
  core: z.string().max(20),
  choices: z.record(z.string().max(80), z.string().max(80)).default({}),
  rule: zRule.default({ kind: "guarded", risk: 0.05 }),
  purpose: z.enum(PURPOSES, said("purpose-must-be-work-or-practice")).default("work"),
});

export const zBatch = zStart.extend({
  id: zUuid(said("a-batchs-id-must-be-a-uuid")).optional(),
  count: z
    .int(said("the-number-of-ends-must-be-a"))
    .min(2, said("a-batch-must-have-at-least-two"))
    .max(BATCH_LIMIT, said("a-batch-must-have-at-most-ends", { batchLimit: BATCH_LIMIT })),
  job: z.string().trim().max(120).default(""),
});

/** Of each end in its place, the last event seen: only what is new is shown then. */
export const zBatchQuery = z.strictObject({
  seen: z
    .string()
    .regex(/^\d{1,9}(,\d{1,9})*$/, said("seen-must-be-a-number-for-each"))
    .max(500)
    .optional(),
});

export const zPhotoQuery = z.strictObject({
  client: z.string().min(1).max(80),
  id: zUuid(said("an-events-id-must-be-a-uuid")).optional(),
  caption: z.string().trim().max(200, said("a-caption-must-have-at-most-200")).default(""),
});
