import { z } from "zod";
import { CONSTRUCTIONS, LAYER_KINDS, zCore, zDocumentId, zSource } from "../cable/cable";
import { zDimension, zName } from "../dimensions/dimension";
import { type Length, um, zMm, zMmNotNegative } from "../length/length";
import { zCondition, zRange } from "./condition";
import { zStep } from "./step";
import { wordsOutOfPlace } from "./whole";

/** The longest any prepared end may be: a figure beyond it is a slip of the unit. */
export const LONGEST_END: Length = um(5_000_000);

const zPart = z.strictObject({
  id: zName,
  name: zName,
  /** Which way round, in words; empty where it does not matter. */
  way: z.string().max(200),
  shape: z.enum(["boot", "sleeve", "tube", "ring", "clip", "nut"]),
  /** What forgetting it costs. */
  ifForgotten: z.string().max(300),
  when: zCondition.optional(),
});

const zFeature = z.strictObject({
  id: zName,
  /** In the field's words, to be read after "from the". */
  name: zName,
  kind: z.enum(["end", "mark", "edge", "part"]),
  /** Layers that end here once it is cut. */
  ends: z.array(z.enum(LAYER_KINDS)).default([]),
});

/** A procedure's dimension: a core dimension, with where it can be measured and what is printed for it. */
const zStated = zDimension.extend({
  /** Step after which it can be measured. */
  after: zName,
  name: zName,
  when: zCondition.optional(),
  /** Other figures for some cables or choices: the first case that holds is used. */
  cases: z
    .array(
      z.strictObject({
        when: zCondition,
        nominal: zMm,
        plus: zMmNotNegative.nullable(),
        minus: zMmNotNegative.nullable(),
      }),
    )
    .default([]),
  /** As printed on a sheet in two units, to be held beside each other. */
  printed: z.tuple([z.string().max(40), z.string().max(40)]).optional(),
  /** What it costs when it is out, and what to do. */
  ifLong: z.string().max(300).default(""),
  ifShort: z.string().max(300).default(""),
});

const zChoice = z.strictObject({
  id: zName,
  name: zName,
  options: z.array(z.strictObject({ id: zName, name: zName, why: z.string().max(300).default("") })).min(1),
  default: zName,
});

export const zProcedure = z
  .strictObject({
    id: zDocumentId,
    revision: z.number().int().min(1),
    source: zSource,
    name: zName,
    family: zDocumentId,
    about: z.string().max(500),
    appliesTo: z.strictObject({
      constructions: z.array(z.enum(CONSTRUCTIONS)).min(1),
      cores: z.array(zCore).min(1),
      grips: z
        .array(z.enum(["tight", "semi-tight"]))
        .min(1)
        .optional(),
      jacket: zRange.optional(),
      buffer: zRange.optional(),
      legs: z.number().int().min(1).optional(),
    }),
    /** The outermost layer in hand when the work starts. */
    startsAt: z.enum(LAYER_KINDS),
    choices: z.array(zChoice).default([]),
    parts: z.array(zPart),
    features: z.array(zFeature).min(1),
    dimensions: z.array(zStated),
    steps: z.array(zStep).min(1),
    /** Cable a fresh start takes beyond what was prepared: squaring the end. */
    squareUp: zMmNotNegative,
    retries: z.strictObject({ most: z.number().int().min(0), rule: z.string().max(300) }),
  })
  .superRefine((procedure, context) => {
    for (const { path, message, code } of wordsOutOfPlace(procedure))
      context.addIssue({ code: "custom", path: [...path], message, params: { code } });
    procedure.dimensions.forEach((dimension, i) => {
      if ([dimension, ...dimension.cases].some(({ nominal }) => Math.abs(nominal) > LONGEST_END))
        context.addIssue({
          code: "custom",
          path: ["dimensions", i, "nominal"],
          message: `No prepared end is longer than ${LONGEST_END / 1000} mm: check the unit`,
          params: { code: "too-long" },
        });
    });
  });

/** How one style is put on one kind of cable: data, with figures, steps and whose they are. */
export type Procedure = z.output<typeof zProcedure>;
export type ProcedureFeature = Procedure["features"][number];
export type ProcedurePart = Procedure["parts"][number];
export type StatedDimension = Procedure["dimensions"][number];

/** The default option of every choice, with what was picked put over it. */
export function withDefaults(
  procedure: Procedure,
  picked: Readonly<Record<string, string>>,
): Record<string, string> {
  return Object.fromEntries(
    procedure.choices.map((choice) => [choice.id, picked[choice.id] ?? choice.default]),
  );
}
