import { z } from "zod";
import { LAYER_KINDS, zLayer, zSource } from "../cable/cable";
import { zMm, zMmExact } from "../length/length";
import { zConfirmation, zPart } from "../procedure/procedure";
import { zRetry } from "../procedure/retry";
import { zStep } from "../procedure/step";
import type { RunSheet } from "./runsheet";

const zSheetFeature = z.strictObject({
  id: z.string(),
  name: z.string(),
  kind: z.enum(["end", "mark", "edge", "part"]),
  position: zMm,
  madeAt: z.int(),
  goneAt: z.int().nullable(),
  cutAt: z.int().nullable(),
  bite: zMm,
  ends: z.array(z.enum(LAYER_KINDS)),
});

const limit = {
  dimension: z.string(),
  name: z.string(),
  from: z.string(),
  to: z.string(),
  nominal: zMm,
  min: zMm.nullable(),
  max: zMm.nullable(),
  stop: z.literal(true).optional(),
};

const zFigure = z.strictObject({
  feature: z.string(),
  fromEnd: zMm,
  own: z.strictObject({
    datum: z.string(),
    distance: zMm,
    plus: zMm.nullable(),
    minus: zMm.nullable(),
  }),
  representative: z.boolean(),
  confirmation: zConfirmation.optional(),
  previous: z.strictObject({ feature: z.string(), distance: zMm }).nullable(),
  workFromOwn: z.boolean(),
  further: zMm.optional(),
});

const zSheetLength = z.strictObject({
  id: z.string(),
  name: z.string(),
  from: z.string(),
  to: z.string(),
  nominal: zMm,
  min: zMm.nullable(),
  max: zMm.nullable(),
  stage: z.enum(["before-cleave", "prepared"]),
  stated: z.string().nullable(),
  predicted: z
    .strictObject({ worst: zMm, rss: zMmExact, holds: z.enum(["worst", "rss", "neither"]) })
    .nullable(),
});

const zCheck = z.strictObject({
  ...limit,
  id: z.string(),
  leg: z.string(),
  step: z.string(),
  representative: z.boolean(),
  confirmation: zConfirmation.optional(),
  ifLong: z.string(),
  ifShort: z.string(),
  fromStart: z.boolean(),
  joint: z.literal(true).optional(),
  gap: z.literal(true).optional(),
});

const zLine = z.strictObject({
  index: z.int(),
  step: zStep,
  figure: zFigure.nullable(),
  bites: z.strictObject({ length: zMm, count: z.int(), countMost: z.int(), each: zMm }).nullable(),
  parts: z.array(zPart),
  checks: z.array(zCheck),
  bares: z.array(z.strictObject({ layer: z.enum(LAYER_KINDS), edge: z.string() })),
});

/**
 * A run sheet as a document: what was compiled, lengths in millimetres, so that an end's record is read without
 * compiling anything. Version 1 of its schema: another shape is another version beside it, never a change of this one.
 */
export const zRunSheet = z.strictObject({
  procedure: z.strictObject({
    id: z.string(),
    revision: z.int(),
    name: z.string(),
    family: z.string(),
    representative: z.boolean(),
    source: zSource,
  }),
  cable: z.strictObject({
    id: z.string(),
    revision: z.int(),
    name: z.string(),
    legs: z.array(z.string()),
  }),
  picked: z.strictObject({ core: z.string(), choices: z.record(z.string(), z.string()) }),
  as: z.array(z.string()),
  layers: z.array(zLayer),
  features: z.array(zSheetFeature),
  lines: z.array(zLine),
  parts: z.array(zPart),
  retries: z.array(zRetry),
  lengths: z.array(zSheetLength),
  limits: z.array(z.strictObject(limit)),
  checks: z.array(zCheck),
  uses: z.strictObject({ prepared: zMm, cutOff: zMm, retry: zMm }),
  disagreements: z.array(
    z.strictObject({
      a: zMm,
      b: zMm,
      agree: z.boolean(),
      differBy: zMm,
      rounding: zMmExact,
      dimension: z.string(),
      printed: z.tuple([z.string(), z.string()]),
    }),
  ),
});

type Document = z.output<typeof zRunSheet>;
type Loose = z.input<typeof zRunSheet>;

/**
 * A run sheet as it is kept: plain JSON, millimetres.
 * @example Object.keys(sheetDocument(sheet)).includes("lines") // true
 */
export const sheetDocument = (sheet: RunSheet): Loose => z.encode(zRunSheet, sheet as Document);
