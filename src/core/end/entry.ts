import { z } from "zod";
import { zName } from "../dimensions/dimension";
import { um } from "../length/length";
import { zInstrument } from "../procedure/tool";

/** The greatest reading taken: no prepared end is longer. */
export const LONGEST_READING = um(5_000_000);

/** A length already in whole micrometres: how entries are stored. */
export const zMicrometres = z.int("A stored length is whole micrometres").transform((value) => um(value));

const zReading = z.strictObject({
  kind: z.literal("reading"),
  /** Id of the run sheet's check it belongs to. */
  check: zName,
  value: zMicrometres
    .refine((value) => value >= 0, { error: "A reading cannot be negative", params: { code: "negative" } })
    .refine((value) => value <= LONGEST_READING, {
      error: `A reading is at most ${LONGEST_READING / 1000} mm: check the unit`,
      params: { code: "too-long" },
    }),
  /** As it was typed, kept for the record. */
  typed: z.string().min(1).max(40),
  unit: z.enum(["mm", "in"]),
  instrument: zInstrument
    .omit({ source: true, resolution: true, repeatability: true })
    .extend({ resolution: zMicrometres, repeatability: zMicrometres }),
});

const zSign = z.strictObject({
  kind: z.literal("sign"),
  name: z
    .string("A sign-off carries a name")
    .trim()
    .min(1, "A sign-off carries a name")
    .max(120, "A name has at most 120 characters"),
  outcome: z.enum(["kept", "cut-off"]),
  /** Why it is signed though a shard is not accounted for. */
  missingShards: z.string().trim().max(300).optional(),
});

/** Going back by a retry rule: what was read and seen from there on no longer speaks for the end. */
const zRedo = z.strictObject({
  kind: z.literal("redo"),
  rule: zName,
  judgement: zName,
  answer: zName,
  to: z.int().min(0).max(1000),
  voids: z.strictObject({
    checks: z.array(zName).max(400),
    judgements: z.array(zName).max(100),
    steps: z.array(zName).max(400),
  }),
});

/** Pieces of bare glass: those that came off, and those seen into the bin. Less than nothing takes back. */
const zShards = z.strictObject({
  kind: z.literal("shards"),
  /** The step they came off at, if they did. */
  step: zName.optional(),
  made: z.int().min(-50).max(50),
  binned: z.int().min(-50).max(50),
});

/** What a step used up: a place of a blade, wipes, a cap. */
const zUse = z.strictObject({
  kind: z.literal("use"),
  step: zName,
  tool: zName.nullable(),
  items: z.array(z.strictObject({ item: zName, count: z.int().min(1).max(100) })).max(20),
});

/** A hold or cure that was started or ended by hand; it runs on wherever the technician goes. */
const zTimer = z.strictObject({
  kind: z.literal("timer"),
  step: zName,
  action: z.enum(["start", "stop"]),
  seconds: z.number().min(0).max(86_400),
});

/** What can happen to an end at the bench. Entries are only ever added. */
export const zEntry = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("thread"), part: zName, on: z.boolean() }),
    z.strictObject({ kind: z.literal("step"), to: z.int().min(0).max(1000) }),
    zReading,
    z.strictObject({ kind: z.literal("strike"), reading: z.uuid() }),
    z.strictObject({ kind: z.literal("answer"), judgement: zName, answer: zName }),
    z.strictObject({
      kind: z.literal("label"),
      job: z.string().trim().max(120, "A job's name has at most 120 characters"),
      label: z.string().trim().max(120, "A label has at most 120 characters"),
    }),
    zRedo,
    zShards,
    zUse,
    zTimer,
    zSign,
  ],
  {
    error: "An entry is one of thread, step, reading, strike, answer, label, redo, shards, use, timer, sign",
  },
);

export type Entry = z.output<typeof zEntry>;
export type Reading = Extract<Entry, { kind: "reading" }>;
/** A reading as it travels: lengths in whole micrometres as plain numbers. */
export type EntryInput = z.input<typeof zEntry>;

/** An entry with what the record adds: its id, its place in the end's history, when, and from which window. */
export interface Recorded {
  readonly id: string;
  readonly seq: number;
  readonly at: string;
  readonly client: string;
  readonly entry: Entry;
}
