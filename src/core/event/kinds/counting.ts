import { z } from "zod";
import { zName } from "../../names/names";
import { said } from "../../words/core";
import type { LengthSchema } from "./length-schema";

/** How many bites, passes or wipes were counted at a step. A step passed by without has no such event. */
export const zCounted = z.strictObject({
  kind: z.literal("counted"),
  step: zName,
  of: zName,
  count: z.int().min(1).max(1000),
});

/** Pieces of bare glass: those that came off, and those seen into the bin. Less than nothing takes back. */
export const zShards = z.strictObject({
  kind: z.literal("shards"),
  /** The step they came off at, if they did. */
  step: zName.optional(),
  made: z.int().min(-50).max(50),
  binned: z.int().min(-50).max(50),
});

/** What a step used up: a place of a blade, wipes, a cap. */
export const zUse = z.strictObject({
  kind: z.literal("use"),
  step: zName,
  tool: zName.nullable(),
  items: z.array(z.strictObject({ item: zName, count: z.int().min(1).max(100) })).max(20),
});

/** A hold or cure that was started or ended by hand; it runs on wherever the technician goes. */
export const zTimer = z.strictObject({
  kind: z.literal("timer"),
  step: zName,
  action: z.enum(["start", "stop"]),
  seconds: z.number().min(0).max(86_400),
});

/** How much cable there is still to spare behind this end. */
export const spareWith = (zLength: LengthSchema) =>
  z.strictObject({
    kind: z.literal("spare"),
    length: zLength.refine((value) => value >= 0, said("spare-cable-must-be-0-or-more")),
  });
