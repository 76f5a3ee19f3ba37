import { z } from "zod";
import { PURPOSES, zRule } from "@/core";
import { canonical } from "./hash";
import type { ends } from "./schema";

/** What an end was started as, version 2; another shape is another version beside it. */
export const zFounding = z.strictObject({
  v: z.literal(2),
  id: z.string(),
  at: z.string(),
  purpose: z.enum(PURPOSES),
  program: z.string(),
  procedure: z.string(),
  cable: z.string(),
  tools: z.string(),
  sheet: z.string(),
  style: z.string(),
  styleName: z.string(),
  cableName: z.string(),
  picked: z.strictObject({ core: z.string(), choices: z.record(z.string(), z.string()) }),
  rule: zRule,
  batch: z.string().nullable(),
  place: z.int().nullable(),
});
export type Founding = z.output<typeof zFounding>;

/** What the columns of an end's row must say beside its founding. */
export const foundingColumns = (founding: Founding) =>
  ({
    id: founding.id,
    createdAt: founding.at,
    purpose: founding.purpose,
    program: founding.program,
    procedureHash: founding.procedure,
    cableHash: founding.cable,
    toolsHash: founding.tools,
    sheetHash: founding.sheet,
    style: founding.style,
    styleName: founding.styleName,
    cableName: founding.cableName,
    picked: founding.picked,
    rule: founding.rule,
    batchId: founding.batch,
    batchPlace: founding.place,
  }) satisfies Partial<typeof ends.$inferInsert>;

export const foundingText = (founding: Founding): string => canonical(founding);
