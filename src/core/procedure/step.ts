import { z } from "zod";
import { LAYER_KINDS } from "../cable/cable";
import { zUses } from "../consumable/consumables";
import { zMmNotNegative } from "../length/length";
import { zId, zName } from "../names/names";
import { said } from "../words/core";
import { zCondition } from "./condition";
import { zStepAct, zSubject } from "./physical";
import { zWayAct } from "./remedy";
import { type Setting, zSetting } from "./setting";

/** Short bites no longer than `most`, or a number of sections within a range. */
const zBites = z.union([
  z.strictObject({ most: zMmNotNegative.refine((value) => value > 0, said("a-bite-must-be-longer-than-0")) }),
  z.strictObject({
    sections: z.strictObject({ min: z.number().int().min(1), max: z.number().int().min(1).max(50) }),
  }),
]);

const zSeconds = z.strictObject({ min: z.number().min(0), max: z.number().max(86_400) });
const zCount = z.strictObject({
  min: z.number().int().min(0),
  max: z.number().int().max(1000),
  of: zName,
});

/** A setting as it is stored: drawn where its kind is known; older documents say it in words. */
const zSettingOrWords = z.union([
  zSetting,
  z.codec(z.string().max(200), zSetting, {
    decode: (words): Setting => ({ kind: "words", words }),
    encode: (setting) => (setting.kind === "words" ? setting.words : ""),
  }),
]);

/** What a school of practice, a cable or a choice changes in a step. */
const zStepCase = z.strictObject({
  when: zCondition,
  title: zName.optional(),
  how: z.string().max(600).optional(),
  setting: zSettingOrWords.optional(),
  seconds: zSeconds.optional(),
  count: zCount.optional(),
  bites: zBites.optional(),
  passes: z.number().int().min(1).max(20).optional(),
  tool: zName.optional(),
});

/** Pictures that help at a step, drawn from its own figures. */
const AIDS = ["bow", "light", "entry-tube", "polarity", "grip-test", "flush"] as const;
type Aid = (typeof AIDS)[number];
const isAid = (name: string): name is Aid => AIDS.some((aid) => aid === name);

const common = {
  id: zId,
  title: zName,
  /** What to do, in a sentence or two. */
  how: z.string().max(600).default(""),
  when: zCondition.optional(),
  /** The first that holds is put over the step. */
  cases: z.array(zStepCase).max(20).default([]),
  /** Ids of cautions that must stand beside this step. */
  cautions: z.array(zName).default([]),
  /** What the tool is set to: stripper hole, die, film, heater program. */
  setting: zSettingOrWords.optional(),
  /** How long it is held, cured, heated or cooled. */
  seconds: zSeconds.optional(),
  /** Whether the hands are free while that time runs; without it, by the kind of step. */
  handsFree: z.boolean().optional(),
  /** Seconds of hands-on work for one end, where the usual for its kind does not do. */
  takes: z.number().min(0).max(7_200).optional(),
  /** From this step on, `until` must be done within so many seconds: pot life, open time. */
  within: z.strictObject({ seconds: z.number().min(1).max(86_400), until: zName, of: zName }).optional(),
  /** One mix or filled tip begun here serves further ends for so many seconds. */
  pot: z.strictObject({ seconds: z.number().min(1).max(86_400), of: zName }).optional(),
  count: zCount.optional(),
  /** Consumables an end uses up here. */
  uses: zUses,
  /** Pieces of bare glass that come off here, to be counted into the bin. */
  shards: z.number().int().min(0).max(48).default(0),
  /** Features that come to lie elsewhere here: a jacket drawn taut, a fibre pushed back. Read them after it. */
  moves: z.array(zName).max(20).default([]),
  /** Ids of steps that must be done before it, where its kind does not say so. */
  needs: z.array(zName).min(1).max(40).optional(),
  /** What it does to joint, holder or yarn, where its kind does not say so. */
  acts: z.array(zStepAct).max(6).optional(),
  /** What is looked at here. */
  of: zSubject.optional(),
  /** Ids of the parts tightened here: one of them is in its place. */
  tightens: z.array(zName).min(1).max(20).optional(),
  /** What shrinks here covers bare glass: its text says `{hold}` for what it reaches over on either side. */
  covers: z
    .strictObject({
      part: zName,
      /** Id of the length of bare glass on the cable's side, and bare glass on the other. */
      bare: zName,
      beyond: zMmNotNegative,
      /** The least it reaches over coating or buffer on each side. */
      hold: zMmNotNegative,
    })
    .optional(),
  /** A loop stored here: its text says `{turns}` as many as the length has room for. */
  turns: z
    .strictObject({
      /** Id of the length that is stored, and how many of it there are: two of an opening's halves. */
      along: zName,
      share: z.number().int().min(1).max(2),
      /** What of it lies on the way to the storage. */
      path: zMmNotNegative,
      perimeter: zMmNotNegative,
      /** As few and as many as the storage takes. */
      least: z.number().int().min(0).max(100),
      most: z.number().int().min(0).max(100),
      /** Id of the length that must reach the storage whole. */
      whole: zName.optional(),
    })
    .optional(),
  /** Pictures; one that this program does not know, from an older or newer document, is left out. */
  aids: z
    .codec(z.array(zName), z.array(z.enum(AIDS)), {
      decode: (names) => names.filter(isAid),
      encode: (aids) => [...aids],
    })
    .default([]),
};

/** Parts go on here: those named, or all that no other step names. */
const thread = z.strictObject({
  ...common,
  kind: z.literal("thread"),
  parts: z.array(zName).min(1).optional(),
});

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
const zJudgement = z.strictObject({
  id: zId,
  asks: zName,
  /** It asks whether this is the fibre to part: where the plan says which are, the colours in the hand answer it. */
  colours: z.literal(true).optional(),
  answers: z
    .array(
      z.strictObject({
        id: zId,
        sees: zName,
        good: z.boolean(),
        means: z.string().max(300).default(""),
        action: z.string().max(300).default(""),
        goTo: zName.optional(),
        /** What to try, in this order; each until its retry rule is used up. */
        retries: z
          .array(
            z.strictObject({
              rule: zName,
              goTo: zName,
              /** What must be done first: a joint opened, a wedge pressed home. */
              via: z.array(zWayAct).max(6).optional(),
            }),
          )
          .max(6)
          .default([]),
        /** Said where there is no meter: the one good answer that needs no light read through the end. */
        untested: z.literal(true).optional(),
        /** Pieces of bare glass this answer means came off. */
        shards: z.number().int().min(0).max(48).default(0),
      }),
    )
    .min(2),
});

const verify = z.strictObject({
  ...common,
  kind: z.enum(["verify", "inspect", "bend-test", "test"]),
  judgement: zJudgement.optional(),
  /** Light is read through the end here; older documents do not ask for it. */
  light: z.literal(true).optional(),
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
export type JudgementAnswer = Judgement["answers"][number];
export type Bites = z.output<typeof zBites>;

/**
 * Lengths read at a step.
 * @example sheet.lines.flatMap(({ step }) => checksOf(step)) // ["cleave", "buffer-out", "reach"]
 */
export const checksOf = (step: Step): readonly string[] => ("checks" in step ? step.checks : []);

/**
 * The judgement asked at a step, if any.
 * @example judgementOf(sheet.lines[0].step) // undefined
 */
export const judgementOf = (step: Step): Judgement | undefined =>
  "judgement" in step ? step.judgement : undefined;

/**
 * True for a step at which light is read through the end.
 * @example readsLight(sheet.lines[0].step) // false
 */
export const readsLight = (step: Step): boolean => "light" in step && step.light === true;

/**
 * True for a step that asks for light while none is read: an answer alone does not say that a loss is good, unless it says that
 * there is no meter.
 * @param answer id of the answer given at the step's question, if any.
 * @example lacksLight(sheet.lines[0].step, undefined, 0) // false
 */
export const lacksLight = (step: Step, answer: string | undefined, readings: number): boolean =>
  readsLight(step) &&
  readings === 0 &&
  judgementOf(step)?.answers.find(({ id }) => id === answer)?.untested !== true;

/** The feature a step makes or goes back to, if any. */
export const madeBy = (step: Step): string | null =>
  "makes" in step ? step.makes : step.kind === "remove" ? step.to : null;

const FREE: readonly StepKind[] = ["cure", "cool", "heat"];

/**
 * Whether the hands are free while the step's time runs: an oven, a shrink, a cure.
 * @example sheet.lines.filter(({ step }) => isHandsFree(step)).length // 0
 */
export const isHandsFree = (step: Step): boolean =>
  step.seconds !== undefined && (step.handsFree ?? FREE.includes(step.kind));
