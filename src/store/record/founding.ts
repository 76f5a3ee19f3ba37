import { z } from "zod";
import { PURPOSES, zPlace, zRule } from "@/core";
import { canonical } from "../database/hash";
import type { ends } from "../schema";

const zFounding2 = z.strictObject({
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

/** What an end was started as; another shape is another version beside the ones before. */
export const zFounding = z.discriminatedUnion("v", [
  zFounding2,
  zFounding2.extend({
    v: z.literal(3),
    /** The piece, the revision of its plan, and the place on it; null for an end by itself. */
    where: z.strictObject({ piece: z.string(), plan: z.int(), ...zPlace.shape }).nullable(),
  }),
]);
/** As this program reads it, whatever version it was written by. */
export type Founding = z.output<typeof zFounding>;
/** As this program writes it. */
export type NewFounding = Extract<Founding, { v: 3 }>;

const whereColumns = (where: NewFounding["where"]) => ({
  piece: where?.piece ?? null,
  plan: where?.plan ?? null,
  side: where?.side ?? null,
  address: where?.address ?? null,
});

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
    ...whereColumns(founding.v === 3 ? founding.where : null),
  }) satisfies Partial<typeof ends.$inferInsert>;

export const foundingText = (founding: Founding): string => canonical(founding);
