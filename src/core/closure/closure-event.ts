import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { WAVELENGTHS } from "../light/light-reading";
import { zUuid } from "../names/names";
import { said } from "../words/core";

const zItem = z.string().min(1).max(120);
const zSpliceId = zUuid(said("a-splices-id-must-be-a-uuid"));
const zReason = z
  .string()
  .trim()
  .min(3, said("give-a-reason-in-a-few-words"))
  .max(200, said("a-reason-must-have-at-most-200"));
/** A colour as it is seen: its code, with its tracers where it has any, as `BL` or `BL+1`. */
const zColour = z.string().trim().toUpperCase().max(4).nullable();
/** The splicing procedure it was made by. */
const zProcedureUsed = z.strictObject({ id: z.string().min(1).max(80), revision: z.int().min(1) });
/** What a splicer sent beside its estimate: its own number, and the angles of both cleaves in degrees. */
const zSplicerSent = z.strictObject({
  number: z.int().min(1).max(999_999),
  left: z.number().min(0).max(20),
  right: z.number().min(0).max(20),
  /** Sent by the simulated splicer: for practice, and marked so wherever it is shown. */
  simulated: z.boolean(),
});

/** The most one estimate can tell, dB: more is no splice. */
const MOST_DB = 30;

/** An event of a closure's work: an item done or undone, a reading, a try at a splice, or the closure opened again. */
export const zClosureEvent = z.discriminatedUnion("kind", [
  /** An act is done, or a look is good. */
  z.strictObject({ kind: z.literal("done"), item: zItem }),
  /** A thing marked as done is not. */
  z.strictObject({ kind: z.literal("undone"), item: zItem }),
  /** A radius as it is read, against its limit. */
  z.strictObject({ kind: z.literal("radius"), item: zItem, radius: zMmNotNegative }),
  /** A gap as it is read, between its two limits. */
  z.strictObject({ kind: z.literal("gap"), item: zItem, gap: zMmNotNegative }),
  /** Power read at an output. */
  z.strictObject({
    kind: z.literal("power"),
    item: zItem,
    dBm: z
      .number(said("a-power-must-be-a-number-of-dbm"))
      .min(-90, said("a-power-must-be-within-90-dbm"))
      .max(40, said("a-power-must-be-within-90-dbm")),
    wavelength: z.literal([...WAVELENGTHS]),
    /** Sent by the simulated meter: for practice, it counts as no reading. */
    simulated: z.boolean().default(false),
  }),
  /** A fastener at its torque. */
  z.strictObject({
    kind: z.literal("torque"),
    item: zItem,
    newtonMetres: z
      .number(said("a-torque-must-be-a-number"))
      .min(0, said("a-torque-must-be-0-or-more"))
      .max(200, said("a-torque-must-be-at-most-200")),
  }),
  /** One try of a splice: the colours as they were seen before the arc, and what the splicer estimates. */
  z.strictObject({
    kind: z.literal("splice"),
    splice: zSpliceId,
    colours: z.strictObject({ a: zColour, b: zColour }),
    estimateDb: z
      .number(said("an-estimate-must-be-a-number-of-db"))
      .min(0, said("an-estimate-must-be-0-db-or-more"))
      .max(MOST_DB, said("an-estimate-must-be-at-most-30-db")),
    procedure: zProcedureUsed.optional(),
    splicer: zSplicerSent.optional(),
  }),
  /** A splice above its limit stays, for a reason. */
  z.strictObject({ kind: z.literal("accept"), splice: zSpliceId, reason: zReason }),
  /** A splice of the plan is not made, for a reason. */
  z.strictObject({ kind: z.literal("leave"), splice: zSpliceId, reason: zReason }),
  /** The closure is opened again: what closed it is due once more. */
  z.strictObject({ kind: z.literal("reopen"), reason: zReason }),
]);
export type ClosureEvent = z.output<typeof zClosureEvent>;

/** An event as it lies on record. */
export const zClosureRecorded = z.strictObject({
  id: z.string(),
  n: z.int(),
  at: z.string(),
  by: z.string().nullable(),
  event: zClosureEvent,
});
export type ClosureRecorded = z.output<typeof zClosureRecorded>;
