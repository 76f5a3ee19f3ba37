import { z } from "zod";
import { zClosurePlan } from "../entry/closure";
import { zFeederPlan } from "../light/feeder-plan";
import { zName, zUuid } from "../names/names";
import { zPiecePlan } from "../piece/plan";
import { said } from "../words/service";

const zItemId = zUuid(said("a-plans-ids-must-be-uuids"));

/** A whole job as it is planned, as a file: pieces, closures and feeders, joined by the ids they have in it. */
export const zJobPlan = z.strictObject({
  /** Version of the file's form. */
  plan: z.literal(1, said("this-file-is-not-a-plan-of-a-job")),
  name: z.string(said("a-job-has-a-name")).trim().pipe(zName),
  pieces: z
    .array(z.strictObject({ id: zItemId, plan: zPiecePlan }))
    .max(2_000, said("a-plan-has-at-most-2000-pieces")),
  closures: z
    .array(z.strictObject({ id: zItemId, plan: zClosurePlan }))
    .max(200)
    .default([]),
  feeders: z
    .array(z.strictObject({ id: zItemId, plan: zFeederPlan }))
    .max(60)
    .default([]),
});
export type JobPlan = z.output<typeof zJobPlan>;

/** A job begun from such a file. */
export const zOpenPlan = z.strictObject({
  id: zUuid(said("a-jobs-id-must-be-a-uuid")).optional(),
  plan: zJobPlan,
});
