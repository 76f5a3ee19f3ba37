import { z } from "zod";
import { LAYER_KINDS } from "../cable/cable";
import { zName } from "../dimensions/dimension";
import { zMmNotNegative } from "../length/length";
import { zCondition } from "./condition";

const common = {
  id: zName,
  title: zName,
  /** What to do, in a sentence or two. */
  how: z.string().max(600).default(""),
  when: zCondition.optional(),
  /** Ids of cautions that must stand beside this step. */
  cautions: z.array(zName).default([]),
  /** What the tool is set to: stripper hole, die, film, program. */
  setting: z.string().max(200).optional(),
  seconds: z.strictObject({ min: z.number().min(0), max: z.number().max(86_400) }).optional(),
  count: z
    .strictObject({ min: z.number().int().min(0), max: z.number().int().max(1000), of: zName })
    .optional(),
};

/** Short bites no longer than `most`, or a number of sections within a range. */
export const zBites = z.union([
  z.strictObject({ most: zMmNotNegative.refine((value) => value > 0, "A bite is longer than nothing") }),
  z.strictObject({
    sections: z.strictObject({ min: z.number().int().min(1), max: z.number().int().min(1).max(50) }),
  }),
]);

const thread = z.strictObject({ ...common, kind: z.literal("thread") });

const mark = z.strictObject({ ...common, kind: z.literal("mark"), makes: zName, by: zName, tool: zName });

/** A cut at a mark already drawn, or by a dimension of its own. `replaces` names the end it takes away. */
const cut = z.strictObject({
  ...common,
  kind: z.enum(["ring-cut", "trim", "cleave"]),
  makes: zName,
  by: zName.optional(),
  tool: zName,
  replaces: zName.optional(),
});

const remove = z.strictObject({
  ...common,
  kind: z.literal("remove"),
  layers: z.array(z.enum(LAYER_KINDS)).min(1),
  /** The edge it goes back to; the removal makes the edge when nothing has cut it yet. */
  to: zName,
  tool: zName.optional(),
  bites: zBites.optional(),
  passes: z.number().int().min(1).max(20).optional(),
});

const measure = z.strictObject({ ...common, kind: z.literal("measure"), checks: z.array(zName).min(1) });

/** Something to look at: what is seen, what it means, what to do. */
export const zJudgement = z.strictObject({
  id: zName,
  asks: zName,
  answers: z
    .array(
      z.strictObject({
        id: zName,
        sees: zName,
        good: z.boolean(),
        means: z.string().max(300).default(""),
        action: z.string().max(300).default(""),
        goTo: zName.optional(),
      }),
    )
    .min(2),
});

const verify = z.strictObject({
  ...common,
  kind: z.enum(["verify", "inspect", "bend-test", "test"]),
  judgement: zJudgement.optional(),
  /** Lengths read at this look, for example where the mark stands once seated. */
  checks: z.array(zName).default([]),
});

const plain = z.strictObject({
  ...common,
  kind: z.enum([
    "fold",
    "clean",
    "load",
    "insert",
    "actuate",
    "crimp",
    "inject",
    "dip",
    "cure",
    "scribe",
    "polish",
    "heat",
    "fuse",
    "cool",
    "seal",
    "torque",
    "dress",
    "cap",
    "dispose",
  ]),
  tool: zName.optional(),
});

export const zStep = z.discriminatedUnion("kind", [thread, mark, cut, remove, measure, verify, plain]);

/** One step of the work. Its kind says which figures it carries. */
export type Step = z.output<typeof zStep>;
export type StepKind = Step["kind"];
export type Judgement = z.output<typeof zJudgement>;
export type Bites = z.output<typeof zBites>;

/** Lengths read at a step. */
export const checksOf = (step: Step): readonly string[] => ("checks" in step ? step.checks : []);

/** The judgement asked at a step, if any. */
export const judgementOf = (step: Step): Judgement | undefined =>
  "judgement" in step ? step.judgement : undefined;
