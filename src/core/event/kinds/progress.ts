import { z } from "zod";
import { zName } from "../../names/names";
import { said } from "../../words/core";

/** A part was threaded on, or taken off. */
export const zThread = z.strictObject({ kind: z.literal("thread"), part: zName, on: z.boolean() });

/** The work goes on at a step. */
export const zStepTo = z.strictObject({ kind: z.literal("step"), to: z.int().min(0).max(1000) });

/** The end's name in its job. */
export const zLabel = z.strictObject({
  kind: z.literal("label"),
  job: z.string().trim().max(120, said("a-jobs-name-must-have-at-most")),
  label: z.string().trim().max(120, said("a-label-must-have-at-most-120")),
});
