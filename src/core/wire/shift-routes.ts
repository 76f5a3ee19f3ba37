import { z } from "zod";
import { zMm } from "../length/length";
import { zDocumentId, zUuid } from "../names/names";
import { zMark } from "../shift/marks";
import { zCheckKind } from "../shift/questions";
import { zCheckSights, zToolToCheck } from "../shift/tool-check";
import { said } from "../words/service";
import { route } from "./route";

const zId = zUuid(said("an-id-is-a-uuid"));

export const zNewToolCheck = z.strictObject({
  id: zId.optional(),
  tool: zDocumentId,
  mark: zMark,
  sights: zCheckSights,
});

/** A check of a tool as it was made. */
const zToolCheck = z.strictObject({
  id: z.string(),
  at: z.string(),
  by: z.string().nullable(),
  tool: z.string(),
  /** Which of several: what is written on it; empty where a crew has one. */
  mark: z.string(),
  name: z.string(),
  kind: zCheckKind,
  sights: zCheckSights,
  good: z.boolean(),
  /** Of an instrument: mean of the readings less the gauge. */
  bias: zMm.nullable(),
});
export type ToolCheck = z.output<typeof zToolCheck>;

/** An end made with a tool whose check failed since. */
const zNamedEnd = z.strictObject({ id: z.string(), label: z.string(), style: z.string(), begun: z.string() });

/** A closure worked at with a tool whose check failed since: numbers of its splices, and how many readings. */
const zNamedClosure = z.strictObject({
  closure: z.string(),
  job: z.string(),
  name: z.string(),
  splices: z.array(z.int()).readonly(),
  readings: z.int(),
});

/** A tool as it stands before the first strip of a shift; where a crew has several of a kind, each stands for itself. */
const zToolStanding = zToolToCheck.extend({
  /** Which of several: what is written on it; empty where a crew has one. */
  mark: z.string(),
  /** Work of the last two weeks was done with it: an end made, or a closure worked at. */
  inUse: z.boolean(),
  /** Of the one cleaver of its kind: the place of its blade by the record, from 1. */
  place: z.int().nullable(),
  /** Of a crimp tool: the dies of the ends at the bench. */
  dies: z.array(z.strictObject({ style: z.string(), across: zMm })).readonly(),
  last: zToolCheck.nullable(),
  /** Of a failed check: the ends made since the last good one, newest first, at most 200. */
  named: z.array(zNamedEnd).readonly(),
  /** Of a failed check: the closures worked at with it since the last good one, newest first, at most 200. */
  closures: z.array(zNamedClosure).readonly(),
});
export type ToolStanding = z.output<typeof zToolStanding>;

/** The lot a style's connectors come from now. */
const zLotInUse = z.strictObject({
  style: z.string(),
  lot: z.string(),
  at: z.string(),
  by: z.string().nullable(),
});

const zToolChecksAnswer = z.strictObject({
  tools: z.array(zToolStanding).readonly(),
  lots: z.array(zLotInUse).readonly(),
});

export const zOpenLot = z.strictObject({
  id: zId.optional(),
  style: zDocumentId,
  lot: z
    .string(said("enter-the-lots-number"))
    .trim()
    .min(1, said("enter-the-lots-number"))
    .max(40, said("a-lots-number-is-at-most-40")),
});

export const zNewDrillResult = z.strictObject({
  id: zId,
  /** When it was done: it may have waited for the server. */
  at: z.iso.datetime(said("a-time-is-iso")),
  task: z.string().min(1, said("name-the-drill")).max(40, said("a-drills-name-is-at-most-40")),
  good: z.boolean(),
  /** Time the drill took. */
  seconds: z.int().min(0).max(86_400),
});

const zDrillResult = z.strictObject({
  id: z.string(),
  at: z.string(),
  task: z.string(),
  good: z.boolean(),
  seconds: z.int(),
});
export type DrillResultRow = z.output<typeof zDrillResult>;

const zDrillQuery = z.strictObject({ person: z.string(said("name-a-person")).min(1).max(120) });

/** The interface for programs: checks of tools before a shift, and results of drills. */
export const SHIFT_ROUTES = {
  "get /tool-checks": route({
    does: "Tools to check before the first strip of a shift, with the last check of each.",
    answer: zToolChecksAnswer,
  }),
  "post /tool-checks": route({
    does: "Stores the check of a tool, and answers how it came out.",
    body: zNewToolCheck,
    answer: zToolCheck,
    status: 201,
    acts: true,
  }),
  "post /tool-checks/{id}/take-back": route({
    does: "Takes a check back that was entered by mistake.",
    body: z.strictObject({ id: zId.optional() }),
    answer: z.strictObject({ id: z.string() }),
    acts: true,
  }),
  "post /lots": route({
    does: "Stores that a lot of a style's connectors was opened.",
    body: zOpenLot,
    answer: z.strictObject({ id: z.string() }),
    status: 201,
    acts: true,
  }),
  "get /drills": route({
    does: "Results of a person's drills, in the order they came.",
    query: zDrillQuery,
    answer: z.strictObject({ results: z.array(zDrillResult).readonly() }),
  }),
  "post /drills": route({
    does: "Stores the result of a drill for whoever is working. It is no part of the record.",
    body: zNewDrillResult,
    answer: z.strictObject({ id: z.string() }),
    status: 201,
    acts: true,
  }),
  "post /drills/forget": route({
    does: "Removes every result of the drills of whoever is working.",
    body: z.strictObject({ confirm: z.literal(true, said("say-that-all-results-may-be-removed")) }),
    answer: z.strictObject({ removed: z.int() }),
    acts: true,
  }),
} as const;
