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

/** What becomes of an end: used, cut off, or begun by mistake and put out of the way. */
export const OUTCOMES = ["kept", "cut-off", "discarded"] as const;
export type EndOutcome = (typeof OUTCOMES)[number];

const zSign = z.strictObject({
  kind: z.literal("sign"),
  name: z
    .string("A sign-off carries a name")
    .trim()
    .min(1, "A sign-off carries a name")
    .max(120, "A name has at most 120 characters"),
  outcome: z.enum(OUTCOMES),
  /** Why it is signed though a shard is not accounted for. */
  missingShards: z.string().trim().max(300).optional(),
});

/** Going back by a retry rule: what was read and seen from there on no longer speaks for the end. */
const zRedo = z.strictObject({
  kind: z.literal("redo"),
  rule: zName,
  /** What was seen; null where a length that is out sends back to the start. */
  judgement: zName.nullable(),
  answer: zName.nullable(),
  /** The leg it is about, where there are several; without one, all. */
  leg: z.string().max(40).optional(),
  to: z.int().min(0).max(1000),
  voids: z.strictObject({
    checks: z.array(zName).max(400),
    judgements: z.array(zName).max(100),
    steps: z.array(zName).max(400),
  }),
  /** Cable that goes with it, where it begins behind what was bared. */
  cableLost: zMicrometres.optional(),
});

/** Cut off and begun again because a part was forgotten and no longer goes on: the part, and what goes with it. */
const zRestart = z.strictObject({
  kind: z.literal("restart"),
  part: zName,
  to: z.int().min(0).max(1000),
  cableLost: zMicrometres,
  voids: z.strictObject({
    checks: z.array(zName).max(400),
    judgements: z.array(zName).max(100),
    steps: z.array(zName).max(400),
  }),
});

const zPlace = z.record(zName, zMicrometres);

/** Redoing the least, by figures: which features are made anew where, by which lines, and what is read again after. */
const zReworkTaken = z.strictObject({
  kind: z.literal("rework"),
  leg: z.string().max(40),
  plan: z.enum(["least", "recommended"]),
  /** Lines to do again, in order; the first of them, and the one it comes back to. */
  steps: z.array(z.int().min(0).max(1000)).max(400),
  to: z.int().min(0).max(1000),
  back: z.int().min(0).max(1000),
  moves: z
    .array(z.strictObject({ feature: zName, was: zMicrometres.nullable(), now: zMicrometres }))
    .max(400),
  /** Where every feature there lies once it is done. */
  places: zPlace,
  cableLost: zMicrometres,
  /** The retry rule it counts against, if any. */
  rule: zName.nullable(),
  cause: z.strictObject({
    checks: z.array(zName).max(400),
    faults: z.array(zName).max(400),
    judgement: zName.nullable(),
    answer: zName.nullable(),
  }),
  voids: z.strictObject({
    checks: z.array(zName).max(400),
    judgements: z.array(zName).max(100),
    steps: z.array(zName).max(400),
  }),
});

/** Takes back the redo or rework that was taken last, while nothing else has been done since. */
const zUntake = z.strictObject({
  kind: z.literal("untake"),
  entry: z.uuid("It names the entry it takes back"),
});

/** What can be wrong with a feature whatever it measures. */
export const FAULTS = ["bad-cleave", "touched", "aged", "nick", "lost"] as const;

/** What each is called in a record. */
export const FAULT_NAMES: Record<(typeof FAULTS)[number], string> = {
  "bad-cleave": "bad cleave",
  touched: "touched end face",
  aged: "cleaved end stood too long",
  nick: "nicked glass",
  lost: "mark lost",
};

/** Something seen on a feature: a bad cleave, a touched end, one that has stood too long, a nick in bare glass, a mark that is gone. */
const zFault = z.strictObject({
  kind: z.literal("fault"),
  leg: z.string().max(40),
  feature: zName,
  what: z.enum(FAULTS),
  /** How far behind the fibre end the nick lies, where that is known. */
  at: zMicrometres.nullable(),
  on: z.boolean(),
});

/** How much cable there is still to spare behind this end. */
const zSpare = z.strictObject({
  kind: z.literal("spare"),
  length: zMicrometres.refine((value) => value >= 0, { error: "Cable to spare cannot be negative" }),
});

/** Puts an entry right without touching it: which, what it should say, why, and who says so. */
const zCorrection = z.strictObject({
  kind: z.literal("correction"),
  corrects: z.uuid("A correction names the entry it corrects"),
  says: z.string().trim().min(1, "Say what it should be").max(300, "At most 300 characters"),
  why: z.string().trim().min(1, "Say why it is corrected").max(300, "At most 300 characters"),
  name: z.string().trim().min(1, "A correction carries a name").max(120, "A name has at most 120 characters"),
});

/** A photograph kept beside the database under the hash of its bytes. */
const zPhoto = z.strictObject({
  kind: z.literal("photo"),
  sha256: z.string().regex(/^[0-9a-f]{64}$/, "A photograph goes by the SHA-256 of its bytes"),
  width: z.int().min(1).max(20_000),
  height: z.int().min(1).max(20_000),
  bytes: z.int().min(1),
  caption: z.string().trim().max(200, "A caption has at most 200 characters"),
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
    zRestart,
    zReworkTaken,
    zUntake,
    zFault,
    zSpare,
    zCorrection,
    zPhoto,
  ],
  {
    error:
      "An entry is one of thread, step, reading, strike, answer, label, redo, restart, rework, untake, fault, spare, shards, use, timer, sign, correction, photo",
  },
);

export type Entry = z.output<typeof zEntry>;
export type Reading = Extract<Entry, { kind: "reading" }>;
export type ReworkTaken = Extract<Entry, { kind: "rework" }>;
export type Fault = (typeof FAULTS)[number];
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
