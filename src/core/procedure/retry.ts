import { z } from "zod";
import { zId, zName } from "../names/names";

import { zCondition } from "./condition";
import { RETRY_ACTS } from "./remedy";

/** One way to try again: how often, what is kept for it, and the part it costs. */
export const zRetry = z.strictObject({
  id: zId,
  /** Read after “so far” and before a count: seat again, cleave again, new connector. */
  name: zName,
  most: z.number().int().min(0).max(20),
  /** What it does to the end; an older document says that in words only. */
  act: z.enum(RETRY_ACTS).optional(),
  /** What is used again. */
  reuses: z.string().max(300).default(""),
  /** A new part that is due; empty where none is. */
  newPart: z.string().max(200).default(""),
  /** Everything prepared is cut off and the end begun again: nothing less is offered in its place. */
  fromStart: z.boolean().optional(),
  /** On a cord of several legs, each is tried and counted by itself; without it, all go back together. */
  each: z.boolean().optional(),
  /** When it may be tried at all: some schools never seat a fibre again. */
  when: zCondition.optional(),
});

export type Retry = z.output<typeof zRetry>;

/** The retry rules of a procedure; an older document that gives one rule in words has it as its only one. */
export const zRetries = z.union([
  z.array(zRetry).max(12),
  z.codec(z.strictObject({ most: z.number().int().min(0), rule: z.string().max(300) }), z.array(zRetry), {
    decode: ({ most, rule }): Retry[] => [{ id: "again", name: "again", most, reuses: rule, newPart: "" }],
    encode: ([first]) => ({ most: first?.most ?? 0, rule: first?.reuses ?? "" }),
  }),
]);
