import { z } from "zod";
import { t } from "@/messages/core";
import { zSeenFibre } from "../cable/seen";
import { type Length, um, zMm, zUm } from "../length/length";
import { zDocumentId, zName, zUuid } from "../names/names";
import { coded } from "../problem/codes";

/** The greatest reading taken: no prepared end is longer. */
export const LONGEST_READING = um(5_000_000);

/** What becomes of an end: used, cut off, or begun by mistake and put out of the way. */
export const OUTCOMES = ["kept", "cut-off", "discarded"] as const;
export type EndOutcome = (typeof OUTCOMES)[number];

/** What can be wrong with a feature whatever it measures. */
export const FAULTS = ["bad-cleave", "touched", "aged", "nick", "broken", "dirty", "lost"] as const;

/** What each is called in a record. */
export const FAULT_NAMES: Record<(typeof FAULTS)[number], string> = {
  "bad-cleave": "bad cleave",
  touched: "touched end face",
  aged: "cleaved end stood too long",
  nick: "nicked glass",
  broken: "broken fibre",
  dirty: "dirty glass",
  lost: "mark lost",
};

/** Every event there is, its lengths written as `zLength` has it. */
const eventsWith = (zLength: z.ZodType<Length, number>) => {
  const zReading = z.strictObject({
    kind: z.literal("reading"),
    /** Id of the run sheet's check it belongs to. */
    check: zName,
    /** Less than nothing where one end of the length can lie on either side of the other. */
    value: zLength.refine((value) => Math.abs(value) <= LONGEST_READING, {
      error: t("a-reading-must-be-at-most-mm", { value: LONGEST_READING / 1000 }),
      params: coded("too-long"),
    }),
    /** As it was typed, kept for the record. */
    typed: z.string().min(1).max(40),
    unit: z.enum(["mm", "in"]),
    instrument: z.strictObject({ id: zDocumentId, name: zName, resolution: zLength, repeatability: zLength }),
  });

  const zSign = z.strictObject({
    kind: z.literal("sign"),
    name: z
      .string(t("enter-the-name-of-whoever-signs-off"))
      .trim()
      .min(1, t("enter-the-name-of-whoever-signs-off"))
      .max(120, t("a-name-must-have-at-most-120")),
    outcome: z.enum(OUTCOMES),
    /** Why it is signed though a shard is not accounted for. */
    missingShards: z.string().trim().max(300).optional(),
  });

  /** Going back by a retry rule: what was read and seen from there on no longer speaks for the end. */
  const zRetryMade = z.strictObject({
    kind: z.literal("retry"),
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
    cableLost: zLength.optional(),
  });

  /** Cut off and begun again because a part was forgotten and no longer goes on: the part, and what goes with it. */
  const zRestart = z.strictObject({
    kind: z.literal("restart"),
    part: zName,
    to: z.int().min(0).max(1000),
    cableLost: zLength,
    voids: z.strictObject({
      checks: z.array(zName).max(400),
      judgements: z.array(zName).max(100),
      steps: z.array(zName).max(400),
    }),
  });

  const zPlace = z.record(zName, zLength);

  /** Reworking the least, by figures: which features are made anew where, by which lines, and what is read again after. */
  const zReworkTaken = z.strictObject({
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
    places: zPlace,
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
    voids: z.strictObject({
      checks: z.array(zName).max(400),
      judgements: z.array(zName).max(100),
      steps: z.array(zName).max(400),
    }),
  });

  /** The end is trimmed as the rework in hand says. */
  const zTrimmed = z.strictObject({ kind: z.literal("trimmed"), leg: z.string().max(40) });

  /** Takes back what was done last: the event it names, and those that came with it. Nothing is deleted. */
  const zTakeBack = z.strictObject({
    kind: z.literal("take-back"),
    event: zUuid(t("name-the-event-to-undo")),
    with: z
      .array(zUuid(t("name-the-events-to-undo")))
      .min(1)
      .max(20)
      .optional(),
  });

  /** Something seen on a feature: a bad cleave, a touched end, one that has stood too long, a nick in bare glass, a mark that is gone. */
  const zFault = z.strictObject({
    kind: z.literal("fault"),
    leg: z.string().max(40),
    feature: zName,
    what: z.enum(FAULTS),
    /** How far behind the fibre end the nick lies, where that is known. */
    at: zLength.nullable(),
    on: z.boolean(),
  });

  /** Put aside for now, with a word why; its clocks do not run. Off: taken up again. */
  const zPark = z.strictObject({
    kind: z.literal("park"),
    on: z.boolean(),
    why: z.string().trim().max(200, t("a-reason-must-have-at-most-200")).default(""),
  });

  /** How many bites, passes or wipes were counted at a step. A step passed by without has no such event. */
  const zCounted = z.strictObject({
    kind: z.literal("counted"),
    step: zName,
    of: zName,
    count: z.int().min(1).max(1000),
  });

  /** How much cable there is still to spare behind this end. */
  const zSpare = z.strictObject({
    kind: z.literal("spare"),
    length: zLength.refine((value) => value >= 0, { error: t("spare-cable-must-be-0-or-more") }),
  });

  /** Puts an event right without touching it: which, what it should say, why, and who says so. */
  const zCorrection = z.strictObject({
    kind: z.literal("correction"),
    corrects: zUuid(t("name-the-event-to-correct")),
    says: z.string().trim().min(1, t("enter-the-correct-value")).max(300, t("enter-at-most-300-characters")),
    why: z.string().trim().min(1, t("enter-why-it-is-corrected")).max(300, t("enter-at-most-300-characters")),
    name: z
      .string()
      .trim()
      .min(1, t("enter-the-name-of-whoever-corrects-it"))
      .max(120, t("a-name-must-have-at-most-120")),
  });

  /** A photograph kept beside the database under the hash of its bytes. */
  const zPhoto = z.strictObject({
    kind: z.literal("photo"),
    sha256: z.string().regex(/^[0-9a-f]{64}$/, t("a-photographs-id-must-be-the-sha")),
    width: z.int().min(1).max(20_000),
    height: z.int().min(1).max(20_000),
    bytes: z.int().min(1),
    caption: z.string().trim().max(200, t("a-caption-must-have-at-most-200")),
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

  return z.discriminatedUnion(
    "kind",
    [
      z.strictObject({ kind: z.literal("thread"), part: zName, on: z.boolean() }),
      z.strictObject({ kind: z.literal("step"), to: z.int().min(0).max(1000) }),
      zReading,
      z.strictObject({
        kind: z.literal("strike"),
        reading: zUuid(t("name-the-reading-to-strike-out")),
      }),
      z.strictObject({
        kind: z.literal("answer"),
        judgement: zName,
        answer: zName,
        /** The colours it was answered by, where it asks which fibres these are. */
        seen: z.array(zSeenFibre).min(1).max(1_000).optional(),
      }),
      z.strictObject({
        kind: z.literal("label"),
        job: z.string().trim().max(120, t("a-jobs-name-must-have-at-most")),
        label: z.string().trim().max(120, t("a-label-must-have-at-most-120")),
      }),
      zRetryMade,
      zShards,
      zUse,
      zTimer,
      zSign,
      zRestart,
      zReworkTaken,
      zTrimmed,
      zTakeBack,
      zFault,
      zPark,
      zCounted,
      zSpare,
      zCorrection,
      zPhoto,
    ],
    {
      error: t("kind-must-be-one-of-thread-step"),
    },
  );
};

/** What can happen to an end at the bench, as it is stored: lengths in whole micrometres. Events are only ever added. */
export const zStoredEvent = eventsWith(zUm);

/** The same as it travels: lengths in millimetres. */
export const zEvent = eventsWith(zMm);

export type EndEvent = z.output<typeof zStoredEvent>;
export type Reading = Extract<EndEvent, { kind: "reading" }>;
export type ReworkTaken = Extract<EndEvent, { kind: "rework" }>;
export type Fault = (typeof FAULTS)[number];
/** An event with plain numbers for its lengths, whole micrometres. */
export type EventInput = z.input<typeof zStoredEvent>;
