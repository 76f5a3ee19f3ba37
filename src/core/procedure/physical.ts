import { z } from "zod";
import { LAYER_KINDS } from "../cable/cable";
import { zMmNotNegative } from "../length/length";
import { zId } from "../names/names";
import { zCondition } from "./condition";

/** What a look is about. It is stale once that changes: a cleaved face that went in, glass stripped further. */
export const SUBJECTS = [
  "grip",
  "mate",
  "coating",
  "glass",
  "tool",
  "joint-open",
  "stub",
  "light-on",
  "face",
  "edge",
  "untouched",
  "seat-light",
  "seat-mark",
  "seat-bow",
  "seat-gap",
  "closed-light",
  "closed-lamp",
  "closed-bow",
  "crimp",
  "ends",
  "weld",
  "pulled",
  "sleeve",
  "end-face",
  "loss",
  "order",
  "whole",
  "loop",
  "tip",
  "at-stop",
  "bared",
  "named",
] as const;
export type Subject = (typeof SUBJECTS)[number];
export const zSubject = z.enum(SUBJECTS);

/** What a step does beyond its kind. */
export const STEP_ACTS = [
  "open",
  "close",
  "hold",
  "release",
  "lay-back",
  "lay-forward",
  "store-loop",
  "fix",
  "bond",
  "open-tube",
  "store",
  "cut-fibre",
] as const;
export type StepAct = (typeof STEP_ACTS)[number];
export const zStepAct = z.enum(STEP_ACTS);

const zLook = z.strictObject({ of: zSubject, when: zCondition.optional() });

/** The joint a cleaved fibre goes into, and the looks it needs. */
export const zJoint = z.strictObject({
  /** As it comes: closed ones are opened by a tool first. */
  supplied: z.enum(["open", "closed"]),
  /** Looks due before the fibre goes in. */
  before: z.array(zLook).max(8).default([]),
  /** Looks due once it is in and before the joint is closed. */
  seat: z.array(zLook).max(8).default([]),
  /** Looks due once it is closed, before anything is crimped or covered. */
  closed: z.array(zLook).max(8).default([]),
  /** How often it can be opened again once closed. */
  reopens: z.number().int().min(0).max(20),
});

/** Adhesive in the ferrule, and what its own sheet allows while it is wet. */
export const zAdhesive = z.strictObject({
  allowsWet: z.array(z.enum(["crimp", "heat"])).default([]),
  /** Whether fibre or ferrule is dipped or primed before it is put in. */
  dipped: z.boolean().optional(),
});

/** What a part is to the hand: whether it opens, what its bore passes, what it holds. */
export const physical = {
  /** Width of its hole: it passes only what is thinner. Without one, it is not known. */
  bore: zMmNotNegative.optional(),
  /** How long it is, where something must lie under all of it. */
  length: zMmNotNegative.optional(),
  /** Whether it opens: a clamp, a hinged clip or a slit bushing goes on at any time. */
  opens: z.boolean().optional(),
  /** The layer it is threaded over; the outermost in hand without one. */
  on: z.enum(LAYER_KINDS).optional(),
  /** Features that lie under it once it is in its place: nothing there is read any more. */
  hides: z.array(zId).max(20).optional(),
  /** The layer it holds in place: yarn or shield is forward under it from then on. */
  grips: z.enum(LAYER_KINDS).optional(),
};
