import { z } from "zod";
import { LAYER_KINDS, type Layer, zLayer, zSource } from "../cable/cable";
import { zMm, zMmExact } from "../length/length";
import { type ProcedurePart, zConfirmation, zPart } from "../procedure/procedure";
import { type Retry, zRetry } from "../procedure/retry";
import { type Step, zStep } from "../procedure/step";

/** A feature at its nominal place on the cable, and the lines between which it is there. */
const zSheetFeature = z.strictObject({
  id: z.string(),
  name: z.string(),
  kind: z.enum(["end", "mark", "edge", "part"]),
  /** Behind the cable end. */
  position: zMm,
  /** Index of the line that makes it (−1: there from the start) and of the line that takes it away (null: stays). */
  madeAt: z.int(),
  goneAt: z.int().nullable(),
  /** Index of the first line that cuts it; null for a mark, a part's face or the end as it came. */
  cutAt: z.int().nullable(),
  /** The least the tool that cuts it can take off, once it has been cut; of a cleaver, what it must hold. */
  bite: zMm,
  /** Layers that end here. */
  ends: z.array(z.enum(LAYER_KINDS)),
});

/** What a stated length must be, between two features: its own limits, or those that follow where it states none. */
const limit = {
  dimension: z.string(),
  name: z.string(),
  from: z.string(),
  to: z.string(),
  nominal: zMm,
  min: zMm.nullable(),
  max: zMm.nullable(),
  /** Given by a stop: it is what its figure says, whatever else is made again. */
  stop: z.literal(true).optional(),
};

/** Where to mark or cut, said every way at once. */
const zFigure = z.strictObject({
  feature: z.string(),
  /** From the end of the cable as it came. */
  fromEnd: zMm,
  /** From its own datum: positive further back, negative nearer the fibre end. */
  own: z.strictObject({
    datum: z.string(),
    distance: zMm,
    plus: zMm.nullable(),
    minus: zMm.nullable(),
  }),
  /** Whether nobody has held it against the part's sheet yet. */
  representative: z.boolean(),
  confirmation: zConfirmation.optional(),
  /** From the mark or cut made just before it, if there is one. */
  previous: z.strictObject({ feature: z.string(), distance: zMm }).nullable(),
  /** True when the figure to work to is the one from its own datum, because the end is or will be no help. */
  workFromOwn: z.boolean(),
  /** Where it is cut or drawn again: how much further back than it is now. */
  further: zMm.optional(),
});

/** How well the tools can be expected to hold a length. */
const zPrediction = z.strictObject({
  worst: zMm,
  rss: zMmExact,
  /** Which of the two stays within the limits. */
  holds: z.enum(["worst", "rss", "neither"]),
});

/** One length as it will measure, with the limits that follow from everything stated. */
const zSheetLength = z.strictObject({
  id: z.string(),
  name: z.string(),
  from: z.string(),
  to: z.string(),
  nominal: zMm,
  min: zMm.nullable(),
  max: zMm.nullable(),
  stage: z.enum(["before-cleave", "prepared"]),
  /** Id of the procedure's dimension, or null where it follows from others. */
  stated: z.string().nullable(),
  predicted: zPrediction.nullable(),
});

/** One length to be read at the bench: a dimension, on one leg of the cord. */
const zCheck = z.strictObject({
  ...limit,
  id: z.string(),
  leg: z.string(),
  step: z.string(),
  representative: z.boolean(),
  confirmation: zConfirmation.optional(),
  ifLong: z.string(),
  ifShort: z.string(),
  /** Out of its limits, the end is begun from the start. */
  fromStart: z.boolean(),
  /** What both sides of an opening make together is what is asked. */
  joint: z.literal(true).optional(),
  /** Read by a gauge between two faces. */
  gap: z.literal(true).optional(),
});

/** How a layer comes off: so many bites, each of so much; `countMost` where the sheet leaves a range. */
const zBiteCount = z.strictObject({ length: zMm, count: z.int(), countMost: z.int(), each: zMm });

const zLine = z.strictObject({
  index: z.int(),
  step: zStep,
  figure: zFigure.nullable(),
  bites: zBiteCount.nullable(),
  parts: z.array(zPart),
  checks: z.array(zCheck),
  /** Layers taken away by this line, and where they then end. */
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
    /** Where the document's figures come from. */
    source: zSource,
  }),
  cable: z.strictObject({
    id: z.string(),
    revision: z.int(),
    name: z.string(),
    legs: z.array(z.string()),
  }),
  picked: z.strictObject({ core: z.string(), choices: z.record(z.string(), z.string()) }),
  /** What was picked, by name: interface, end face, a school other than the usual. */
  as: z.array(z.string()),
  /** Layers in hand when the work starts, from the outside in. */
  layers: z.array(zLayer),
  features: z.array(zSheetFeature),
  lines: z.array(zLine),
  parts: z.array(zPart),
  retries: z.array(zRetry),
  lengths: z.array(zSheetLength),
  limits: z.array(z.strictObject(limit)),
  checks: z.array(zCheck),
  uses: z.strictObject({
    /** From the cable end to the rearmost cut: what this end takes up. */
    prepared: zMm,
    /** Taken off for good in front of the finished fibre end. */
    cutOff: zMm,
    /** What cutting it all off and starting again takes. */
    retry: zMm,
  }),
  /** Prints in two units that do not agree. */
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

/** What a schema gives, with nothing in it that may be written to. */
type Unchanging<T> = T extends
  | number
  | string
  | boolean
  | null
  | undefined
  | Step
  | ProcedurePart
  | Retry
  | Layer
  ? T
  : { readonly [K in keyof T]: Unchanging<T[K]> };

/** Everything about one end before the first cut: compiled from a procedure, a cable and what was picked. */
export type RunSheet = Unchanging<z.output<typeof zRunSheet>>;
export type SheetFeature = RunSheet["features"][number];
export type SheetLimit = RunSheet["limits"][number];
export type Line = RunSheet["lines"][number];
export type Check = Line["checks"][number];
export type Figure = NonNullable<Line["figure"]>;
export type BiteCount = NonNullable<Line["bites"]>;
export type SheetLength = RunSheet["lengths"][number];
export type Prediction = NonNullable<SheetLength["predicted"]>;

/**
 * A run sheet as it is kept: plain JSON, millimetres.
 * @example Object.keys(sheetDocument(sheet)).includes("lines") // true
 */
export const sheetDocument = (sheet: RunSheet): z.input<typeof zRunSheet> =>
  z.encode(zRunSheet, sheet as z.output<typeof zRunSheet>);
