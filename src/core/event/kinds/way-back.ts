import { z } from "zod";
import { zName, zUuid } from "../../names/names";
import { said } from "../../words/core";
import { FAULTS } from "./faults";
import type { LengthSchema } from "./length-schema";

/** What no longer speaks for the end, read and seen from there on. */
const zVoids = z.strictObject({
  checks: z.array(zName).max(400),
  judgements: z.array(zName).max(100),
  steps: z.array(zName).max(400),
});

/** Going back by a retry rule: what was read and seen from there on no longer speaks for the end. */
export const retryWith = (zLength: LengthSchema) =>
  z.strictObject({
    kind: z.literal("retry"),
    rule: zName,
    /** What was seen; null where a length that is out sends back to the start. */
    judgement: zName.nullable(),
    answer: zName.nullable(),
    /** The leg it is about, where there are several; without one, all. */
    leg: z.string().max(40).optional(),
    to: z.int().min(0).max(1000),
    voids: zVoids,
    /** Cable that goes with it, where it begins behind what was bared. */
    cableLost: zLength.optional(),
  });

/** Cut off and begun again because a part was forgotten and no longer goes on: the part, and what goes with it. */
export const restartWith = (zLength: LengthSchema) =>
  z.strictObject({
    kind: z.literal("restart"),
    part: zName,
    to: z.int().min(0).max(1000),
    cableLost: zLength,
    voids: zVoids,
  });

/** Reworking the least, by figures: which features are made again where, by which lines, and what is read again after. */
export const reworkWith = (zLength: LengthSchema) =>
  z.strictObject({
    kind: z.literal("rework"),
    leg: z.string().max(40),
    plan: z.enum(["least", "recommended"]),
    /** Lines to do again, in order; the first of them, and the one it comes back to. */
    steps: z.array(z.int().min(0).max(1000)).max(400),
    to: z.int().min(0).max(1000),
    back: z.int().min(0).max(1000),
    moves: z.array(z.strictObject({ feature: zName, was: zLength.nullable(), now: zLength })).max(400),
    /**
     * Where every feature there lies once it is done, counted from the end as it then is. A rework without `trim`,
     * of version 3 and before, counts from the end as it first was; so do its moves.
     */
    places: z.record(zName, zLength),
    /** How much is trimmed off the cable end before anything else. */
    trim: zLength.optional(),
    cableLost: zLength,
    /** The retry rule it counts against, if any. */
    rule: zName.nullable(),
    cause: z.strictObject({
      checks: z.array(zName).max(400),
      faults: z.array(z.strictObject({ feature: zName, what: z.enum(FAULTS) })).max(400),
      judgement: zName.nullable(),
      answer: zName.nullable(),
    }),
    voids: zVoids,
  });

/** The end is trimmed as the rework in hand says. */
export const zTrimmed = z.strictObject({ kind: z.literal("trimmed"), leg: z.string().max(40) });

/** Takes back what was done last: the event it names, and those that came with it. Nothing is deleted. */
export const zTakeBack = z.strictObject({
  kind: z.literal("take-back"),
  event: zUuid(said("name-the-event-to-undo")),
  with: z
    .array(zUuid(said("name-the-events-to-undo")))
    .min(1)
    .max(20)
    .optional(),
});
