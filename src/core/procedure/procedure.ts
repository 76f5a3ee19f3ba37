import { z } from "zod";
import { type Cable, CONSTRUCTIONS, LAYER_KINDS, zCore, zSource } from "../cable/cable";
import { ELEMENT_KINDS } from "../cable/element-group";
import { zDimension } from "../dimensions/dimension";
import { type Length, um, zMm, zMmNotNegative } from "../length/length";
import { zDocumentId, zId, zName } from "../names/names";
import { coded } from "../problem/codes";
import { said, t } from "../words/core";
import { holds, zCondition, zRange } from "./condition";
import { physical, zAdhesive, zJoint } from "./physical";
import { zRemedies } from "./remedy";
import { zRetries } from "./retry";
import { zStep } from "./step";
import { wordsOutOfPlace } from "./whole";

/** The longest any prepared end may be: a figure beyond it is a slip of the unit. */
const LONGEST_END: Length = um(5_000_000);

const zCountRange = z
  .strictObject({ min: z.number().int().min(1), max: z.number().int().min(1).max(6912) })
  .refine(({ min, max }) => min <= max, said("the-least-must-not-exceed-the-most"));

export const zPart = z.strictObject({
  id: zId,
  name: zName,
  /** Which way round, in words; empty where it does not matter. */
  way: z.string().max(200),
  shape: z.enum(["boot", "sleeve", "tube", "ring", "clip", "nut", "shell", "seal"]),
  /** The step that needs it. */
  neededAt: zName.optional(),
  /** The step after which it can no longer be put on. */
  trappedBy: zName.optional(),
  /** What forgetting it costs. */
  ifForgotten: z.string().max(300),
  ...physical,
  when: zCondition.optional(),
});

const zFeature = z.strictObject({
  id: zId,
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
  /** The feature it is laid off from at the bench, where that is another than its own datum. Limits stay its own. */
  workFrom: zName.optional(),
  /** Why no step reads it; empty where one does. */
  notRead: z.string().max(300).default(""),
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
  /** What to do when it is out: acts, so that it is known which way each moves the reading. */
  ifLong: zRemedies.default([]),
  ifShort: zRemedies.default([]),
  /** Out of its limits, the end is begun from the start: nothing less mends it. */
  fromStart: z.boolean().default(false),
  /**
   * Of a sheath opened in mid-run: what both sides make together is what is asked. What one side is short of, the other
   * may have over.
   */
  joint: z.literal(true).optional(),
  /** Read by a gauge between two faces, not along the cable. */
  gap: z.literal(true).optional(),
  /** Given by a stop: a holder that sets the glass to its own length. Nobody chooses it, so a rework keeps its figure. */
  stop: z.literal(true).optional(),
});

const zChoice = z.strictObject({
  id: zId,
  name: zName,
  /** Whether practitioners differ here: a school of practice, set once for all styles that know it. */
  school: z.boolean().default(false),
  /** What is picked at the other end of the same fibre: the same, or another. Without it, nothing goes by it. */
  across: z.enum(["same", "other"]).optional(),
  /** Said once beside it where no figure differs between its options. */
  same: z.string().max(200).optional(),
  options: z
    .array(
      z.strictObject({
        id: zId,
        name: zName,
        why: z.string().max(300).default(""),
        /** When it can be had at all: an angled end face on single-mode glass only. */
        when: zCondition.optional(),
      }),
    )
    .min(1),
  default: zName,
});

/** How a figure was held against the part's sheet. */
export const zConfirmation = z.strictObject({
  by: z.string().min(1).max(120),
  /** Number of the sheet; null where it has none. */
  sheet: z.string().max(80).nullable(),
  date: z.string().max(10),
  /** Whether the figure was passed over without being changed. */
  asShown: z.boolean(),
});

export type Confirmation = z.output<typeof zConfirmation>;

/** What a procedure is made of; whether its parts go together, `zProcedure` says. */
export const zProcedureParts = z.strictObject({
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
    /** Where several ranges are taken with gaps between them; `jacket` then goes from the thinnest to the thickest. */
    jackets: z.array(zRange).min(2).max(40).optional(),
    /** Of a cable opened in mid-run: the constructions it may have. */
    inRun: z.array(z.enum(CONSTRUCTIONS)).min(1).optional(),
    buffer: zRange.optional(),
    /** Whether it goes on a coated fibre in a furcation tube too, whose tube is then held as the buffer would be. */
    furcated: z.boolean().optional(),
    coating: zRange.optional(),
    /** Fibres taken at a time: those of the tube, ribbon or cord in hand. */
    fibres: zCountRange.optional(),
    legs: z.number().int().min(1).optional(),
  }),
  /** The outermost layer in hand when the work starts. */
  startsAt: z.enum(LAYER_KINDS),
  /** Elements this work bares for further ends, and the tubing each is then in: the cable it goes on as. */
  opensOnto: z
    .strictObject({
      /** Of several kinds, the first the cable has: ribbons, else fibres. */
      element: z.union([z.enum(ELEMENT_KINDS), z.array(z.enum(ELEMENT_KINDS)).min(1).max(4)]),
      into: zDocumentId.optional(),
    })
    .optional(),
  choices: z.array(zChoice).default([]),
  parts: z.array(zPart),
  features: z.array(zFeature).min(1),
  dimensions: z.array(zStated),
  steps: z.array(zStep).min(1),
  /** Cable a fresh start takes beyond what was prepared: squaring the end. */
  squareUp: zMmNotNegative,
  joint: zJoint.optional(),
  adhesive: zAdhesive.optional(),
  retries: zRetries,
  /** Figures held against the part's sheet (`jacket`, `jacket/0`); without the list, all of a user's own are. */
  confirmed: z.array(zName).max(500).optional(),
  /** Of those, the ones held against a sheet on a screen of their own: by whom, and whether they were changed there. */
  confirmations: z
    .array(zConfirmation.extend({ key: zName }))
    .max(500)
    .optional(),
});

/** What of a procedure says its lengths: enough to tell whether they hold together. */
export const zFigures = z.object({
  appliesTo: zProcedureParts.shape.appliesTo,
  choices: zProcedureParts.shape.choices,
  features: zProcedureParts.shape.features,
  dimensions: zProcedureParts.shape.dimensions,
});

export type Figures = z.output<typeof zFigures>;

export const zProcedure = zProcedureParts.superRefine((procedure, context) => {
  for (const { path, message, code } of wordsOutOfPlace(procedure))
    context.addIssue({ code: "custom", path: [...path], message, params: coded(code) });
  procedure.dimensions.forEach((dimension, i) => {
    if ([dimension, ...dimension.cases].some(({ nominal }) => Math.abs(nominal) > LONGEST_END))
      context.addIssue({
        code: "custom",
        path: ["dimensions", i, "nominal"],
        message: t("a-length-must-be-at-most-mm", { value: LONGEST_END / 1000 }),
        params: coded("too-long"),
      });
  });
});

/** How one style is put on one kind of cable: data, with figures, steps and whose they are. */
export type Procedure = z.output<typeof zProcedure>;
export type ProcedureFeature = Procedure["features"][number];
export type Choice = Procedure["choices"][number];
export type ProcedurePart = Procedure["parts"][number];
export type StatedDimension = Procedure["dimensions"][number];

/**
 * The options of a choice that can be had on a cable with a core.
 * @example optionsFor(stub.choices[0], cord, "9/125").map(({ id }) => id) // ["sc", "lc"]
 */
export const optionsFor = (choice: Choice, cable: Cable, core: string): Choice["options"] =>
  choice.options.filter(({ when }) => holds(when, cable, { core, choices: {} }));

/**
 * What was picked, by name: interface, end face. What everybody does by default of a school of practice is left out;
 * another school is shown.
 * @example pickedNames(stub, withDefaults(stub, {})) // ["SC", "nut and ring"]
 */
export const pickedNames = (
  { choices }: Pick<Procedure, "choices">,
  picked: Readonly<Record<string, string>>,
): string[] =>
  choices
    .filter(({ id, school, default: usual }) => !school || picked[id] !== usual)
    .map(({ id, name, school, options }) => {
      const option = options.find((option) => option.id === picked[id])?.name ?? "?";
      return school ? `${name.charAt(0).toLowerCase()}${name.slice(1)}: ${option}` : option;
    });

const own = (picked: Readonly<Record<string, string>>, id: string): string | undefined =>
  Object.hasOwn(picked, id) ? picked[id] : undefined;

/**
 * The default option of every choice, with what was picked put over it.
 * @example withDefaults(stub, {})
 * // { interface: "sc", "yarn-hold": "nut", light: "with", reseat: "allowed", "buffer-removal": "bites", alcohol: "99", wipes: "two", "bend-screen": "done", "optical-test": "later" }
 */
export function withDefaults(
  procedure: Pick<Procedure, "choices">,
  picked: Readonly<Record<string, string>>,
): Record<string, string> {
  return Object.fromEntries(
    procedure.choices.map((choice) => [choice.id, own(picked, choice.id) ?? choice.default]),
  );
}

/** A procedure as it is written down: lengths in millimetres. */
export type ProcedureDocument = z.input<typeof zProcedure>;
