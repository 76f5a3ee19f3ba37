import { z } from "zod";
import { PURPOSES } from "../event/recorded";
import { zMm, zMmExact } from "../length/length";
import { type ProcedureDocument, zProcedure } from "../procedure/procedure";
import { said } from "../words/core";

export const zIdAnswer = z.strictObject({ id: z.string() });
/** A procedure as it is written down, checked as one and left in millimetres. */
export const zProcedureText = z.custom<ProcedureDocument>((value) => zProcedure.safeParse(value).success);

export const zRevisionAnswer = z.strictObject({ id: z.string(), revision: z.int() });

/** Somebody who works, with every id they ever went by. */
export const zPeopleAnswer = z.strictObject({
  people: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        formerly: z.array(z.string()).readonly(),
        ids: z.array(z.string()).readonly(),
      }),
    )
    .readonly(),
});

const zIndex = z.strictObject({ value: z.number(), low: z.number(), high: z.number() });

/** How a person makes each length with each tool. */
export const zAimsAnswer = z
  .array(
    z.strictObject({
      style: z.string(),
      styleName: z.string(),
      dimension: z.string(),
      name: z.string(),
      tool: z.string(),
      makes: z.string(),
      nominal: zMm,
      min: zMm.nullable(),
      max: zMm.nullable(),
      values: z.array(zMmExact).readonly(),
      n: z.int(),
      bias: zMmExact,
      biasLow: zMmExact,
      biasHigh: zMmExact,
      spread: zMmExact,
      cp: zIndex.nullable(),
      cpk: zIndex.nullable(),
      set: zMm.nullable(),
      sure: z.number(),
    }),
  )
  .readonly();

/** A study as it was kept. */
export const zStudyAnswer = z.strictObject({
  id: z.string(),
  at: z.string(),
  /** Their name as it was then, and who they are. */
  person: z.string(),
  by: z.string().nullable(),
  instrument: z.string(),
  readings: z.array(zMm).readonly(),
  repeatability: zMm,
});
export const zStudiesAnswer = z.array(zStudyAnswer).readonly();

/** Holds and cures running now, with the server's clock to count them by. */
export const zTimersAnswer = z.strictObject({
  now: z.string(),
  timers: z
    .array(
      z.strictObject({
        end: z.string(),
        label: z.string(),
        batch: z.string().nullable(),
        step: z.string(),
        clock: z.literal(true).optional(),
        startedAt: z.string(),
        seconds: z.number(),
      }),
    )
    .readonly(),
});

/** A tool with a blade, and what is due. */
export const zBladeAnswer = z.strictObject({
  tool: z.string(),
  name: z.string(),
  positions: z.int(),
  each: z.int(),
  wipeEvery: z.int(),
  standing: z.strictObject({
    position: z.int(),
    leftHere: z.int(),
    left: z.int(),
    wipeIn: z.int(),
    due: z.enum(["new", "turn", "wipe"]).nullable(),
  }),
});
export const zBladesAnswer = z.array(zBladeAnswer).readonly();

/** Something in the record that is not as it was written, or that this program cannot tell. */
const zFinding = z.strictObject({
  /** Id of the end it is about; empty where it is about something else. */
  end: z.string(),
  /** What it is about, in words. */
  name: z.string(),
  /** Place in the end's history, where it is an event. */
  seq: z.int().nullable(),
  what: z.string(),
  /** Whether nothing was altered: it is shown, and does not count. */
  note: z.boolean(),
});
export type RecordFinding = Readonly<z.output<typeof zFinding>>;

/** One stretch of the record, checked. */
export const zRecordChecked = z.strictObject({
  ends: z.int(),
  events: z.int(),
  findings: z.array(zFinding).readonly(),
  /** Where the next stretch goes on; null at the end. */
  next: z.string().nullable(),
  /** Ends there are in all. */
  of: z.int(),
});
export type RecordChecked = Readonly<z.output<typeof zRecordChecked>>;

const zRoot = z.string().regex(/^[0-9a-f]{64}$/, said("a-seal-must-be-64-hexadecimal-digits"));

/** The whole record at a moment under one figure, with every end's own, so that a later check can name what changed. */
export const zSeal = z.strictObject({
  seal: z.literal(1),
  at: z.string().max(40),
  program: z.string().max(80),
  events: z.int().min(0),
  register: z.int().min(0),
  root: zRoot,
  /** Each end in the order it was begun: id and hash. Without them a check can tell that something changed, not what. */
  ends: z
    .array(z.tuple([z.string().max(60), zRoot]))
    .readonly()
    .optional(),
});
export type Seal = Readonly<z.output<typeof zSeal>>;

/** The newest signed seal in its one line; null where none was taken yet. */
export const zLatestSeal = z.strictObject({ seal: z.string().nullable() });

/** What proves that a register goes on from an earlier seal: the root it had then, the newest seal, the hashes between. */
export const zGrowth = z.strictObject({
  lines: z.int(),
  root: zRoot,
  seal: z.string(),
  proof: z.array(zRoot).readonly(),
});

/** A seal as it is made, with its one line for print and QR code. */
export const zSealAnswer = zSeal.extend({ short: z.string() });
export const zFindingsAnswer = z.strictObject({ findings: z.array(zFinding).readonly() });

/** Work at the bench: an end by itself, or the newest of a batch and how many of it are there. */
export const zBenchAnswer = z.strictObject({
  rows: z
    .array(
      z.strictObject({
        id: z.string(),
        createdAt: z.string(),
        style: z.string(),
        styleName: z.string(),
        cableName: z.string(),
        core: z.string(),
        job: z.string(),
        label: z.string(),
        batch: z.string().nullable(),
        purpose: z.enum(PURPOSES),
        count: z.int(),
        /** The piece it is an end of; empty for an end by itself. */
        piece: z.string(),
        /** The step reached, counted from 1, of so many. */
        step: z.strictObject({ number: z.int(), of: z.int(), title: z.string() }),
        /** Who worked on it last; empty where nobody said. */
        person: z.string(),
        /** Why it is parked; null while it is worked on. */
        parked: z.string().nullable(),
        /** What had to be done in time and was not: what grew old, by name. */
        late: z.array(z.string()),
        /** Pieces of glass that came off and were not seen into the bin. */
        shards: z.int(),
      }),
    )
    .readonly(),
  /** Ends at the bench in all. */
  count: z.int(),
  /** Where the next page goes on, or null at the end. */
  next: z.string().nullable(),
});

/** A device was let in. */
export const zEnteredAnswer = z.strictObject({ entered: z.boolean() });

/** Backups made by themselves: whether, how often, the last that was made, and why the last try failed. */
export const zBackupsAnswer = z.strictObject({
  every: z.number().nullable(),
  last: z.strictObject({ name: z.string(), at: z.string(), bytes: z.int() }).nullable(),
  problem: z.string().nullable(),
  /** The last backup that was put back into a scratch place, and why it could not be; null where none was yet. */
  drill: z.strictObject({ backup: z.string(), at: z.string(), problem: z.string().nullable() }).nullable(),
  /** The standing copy elsewhere, where one is kept: how far it is behind, seconds, and why where that is too far. */
  copy: z.strictObject({ folder: z.string(), behind: z.int(), problem: z.string().nullable() }).nullable(),
});
