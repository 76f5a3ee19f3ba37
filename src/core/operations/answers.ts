import { z } from "zod";
import { zMm, zMmExact } from "../length/length";

const zConflict = z.strictObject({ ids: z.array(z.string()).readonly(), shortBy: zMm });

/** What closing limits answers: the tightest that follow, or the chain that cannot hold. */
export const zDimensionsAnswer = z.discriminatedUnion("consistent", [
  z.strictObject({
    consistent: z.literal(true),
    limits: z
      .array(z.strictObject({ from: z.string(), to: z.string(), min: zMm.nullable(), max: zMm.nullable() }))
      .readonly(),
    tightened: z.array(z.string()).readonly(),
  }),
  z.strictObject({ consistent: z.literal(false), conflict: zConflict }),
]);

const zPlaces = z.record(z.string(), zMm);

/** What adding errors up answers: where each feature lies, and each pair's distance with its errors. */
export const zStackAnswer = z.strictObject({
  positions: zPlaces,
  between: z
    .array(z.strictObject({ from: z.string(), to: z.string(), nominal: zMm, worst: zMm, rss: zMmExact }))
    .readonly(),
});

/** What judging readings answers. */
export const zConformanceAnswer = z.strictObject({
  mean: zMmExact,
  u: zMmExact,
  probability: z.number(),
  verdict: z.enum(["in", "out", "unsure"]),
  /** A count of readings. */
  more: z.int().nullable().optional(),
});

/** What the least rework answers: what is made again where, or why nothing can be saved. */
export const zReworkAnswer = z.union([
  z.strictObject({
    possible: z.literal(true),
    moved: z.array(z.string()).readonly(),
    least: zPlaces,
    cableLost: zMm,
    /** The margin is a share of the room there is, not a length. */
    recommended: z.strictObject({ positions: zPlaces, margin: z.number(), cableLost: zMm }),
  }),
  z.strictObject({ possible: z.literal(false), reason: z.literal("fixed"), feature: z.string() }),
  z.strictObject({ possible: z.literal(false), reason: z.literal("contradictory"), conflict: zConflict }),
]);

const zMarked = z.strictObject({ position: z.int(), code: z.string(), tracers: z.int() });

/** What a fibre's identity answers. */
export const zIdentityAnswer = z.strictObject({ number: z.int(), tube: zMarked, fibre: zMarked });

/** What fibre and sheath lengths answer; the factor is a ratio. */
export const zLayAnswer = z.strictObject({ factor: z.number(), sheath: zMmExact, fibre: zMmExact });

/** What a hanging cable answers. */
export const zSagAnswer = z.strictObject({
  parameter: zMmExact.nullable(),
  length: zMmExact,
  slack: zMmExact,
  parabola: zMmExact.nullable(),
});

/** What a cut length answers. */
export const zCutLengthAnswer = z.strictObject({
  route: zMmExact,
  stored: zMmExact,
  ends: zMmExact,
  exact: zMmExact,
  cut: zMm,
});

/** What retries answer: a count, and chances. */
export const zRetriesAnswer = z.strictObject({
  retries: z.int().nullable(),
  short: z.array(z.number()).readonly(),
});

const sidesOf = <S extends z.ZodType>(of: S) => z.strictObject({ upstream: of, downstream: of });

/** What an opening in the middle of a sheath answers; the factor is a ratio. */
export const zWindowAnswer = z.strictObject({
  opening: zMmExact,
  layFactor: z.number(),
  tubeLength: zMmExact,
  limitedBy: z.enum(["storage", "reversal"]),
  loopRadius: zMmExact,
  bendOk: z.boolean(),
  usable: sidesOf(zMmExact),
  reachOk: sidesOf(z.boolean()),
});

/** What ports answer: which cable goes where, or cables that cannot all be placed; counts, not lengths. */
export const zPortsAnswer = z.discriminatedUnion("possible", [
  z.strictObject({
    possible: z.literal(true),
    assignment: z
      .array(
        z.strictObject({ cable: z.string(), ports: z.array(z.string()).readonly(), bushed: z.boolean() }),
      )
      .readonly(),
    otherRole: z.int(),
    bushed: z.int(),
    valid: z.number(),
  }),
  z.strictObject({
    possible: z.literal(false),
    cannot: z.array(z.string()).readonly(),
    smallest: z.boolean(),
  }),
]);

const zLoopChoice = z.strictObject({ path: z.string(), turns: z.int(), perimeter: zMmExact.nullable() });

/** What loops on a tray answer. */
export const zLoopsAnswer = z.strictObject({
  fits: z.boolean(),
  choices: z.array(zLoopChoice).readonly(),
  shorter: zMm.nullable(),
  longer: zMm.nullable(),
  reason: z.literal("bend").optional(),
});

/** What slots for splices answer. */
export const zTraysAnswer = z.strictObject({
  assignment: z
    .array(
      z.strictObject({
        splice: z.string(),
        slot: z.string().nullable(),
        trimA: zMm.nullable(),
        trimB: zMm.nullable(),
      }),
    )
    .readonly(),
  unplaced: z.array(z.string()).readonly(),
  trim: zMm,
});

const zCounted = z.array(z.strictObject({ cut: z.string(), count: z.int() })).readonly();

/** What cuts from reels answer. */
export const zReelsAnswer = z.strictObject({
  possible: z.boolean(),
  opened: zMm,
  reels: z
    .array(z.strictObject({ reel: z.string(), copy: z.int(), cuts: zCounted, remainder: zMm }))
    .readonly(),
  longest: zMm.nullable(),
  short: zCounted,
});

/** What cuts by printed marks answer: marks, in their own unit. */
export const zMarksAnswer = z.strictObject({
  cuts: z.array(z.strictObject({ start: z.number(), end: z.number(), sure: z.number() })).readonly(),
});

/** What a length by printed marks answers. */
export const zMarkLengthAnswer = z.strictObject({ length: zMmExact, min: zMmExact, max: zMmExact });

/** What light along a feeder answers: dBm, and a margin in dB. */
export const zLightAnswer = z.strictObject({
  taps: z.array(z.strictObject({ drop: z.number(), through: z.number(), margin: z.number() })).readonly(),
});

/** What a choice of taps answers: dB, per cent and dBm. */
export const zTapsAnswer = z.strictObject({
  possible: z.boolean(),
  least: z.number(),
  choice: z.array(z.number()).readonly(),
  margins: z.array(z.number()).readonly(),
  through: z.number(),
});

/** What insertion loss answers: dB, and a chance. */
export const zLossAnswer = z.strictObject({
  loss: z.number(),
  u: z.number(),
  probability: z.number(),
  verdict: z.enum(["in", "out", "unsure"]),
  gain: z.boolean(),
});

/** What parts to bring answer: a count, and chances. */
export const zStockAnswer = z.strictObject({
  parts: z.int().nullable(),
  short: z.array(z.number()).readonly(),
});

/** What costs compared answer: money in the currency of the prices, and hours. */
export const zCostAnswer = z.strictObject({
  ways: z
    .array(
      z.strictObject({
        name: z.string(),
        attempts: z.number().nullable(),
        total: z.number().nullable(),
        perEnd: z.number().nullable(),
        hours: z.number().nullable(),
      }),
    )
    .readonly(),
  cheapest: z.string().nullable(),
  crossings: z
    .array(z.strictObject({ ways: z.tuple([z.string(), z.string()]).readonly(), ends: z.number() }))
    .readonly(),
});

const zSeries = z.array(z.number()).readonly();

/** What drift answers, in the unit of its values; places count from 1. */
export const zDriftAnswer = z.strictObject({
  mean: z.number(),
  sigma: z.number(),
  ewma: zSeries,
  lower: zSeries,
  upper: zSeries,
  signals: z.array(z.int()).readonly(),
  outside: z.array(z.int()).readonly(),
});
