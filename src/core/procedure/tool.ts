import { z } from "zod";
import { zSource } from "../cable/cable";
import { zInstrumentError } from "../conformance/conformance";
import { type Length, zMmNotNegative } from "../length/length";
import { zDocumentId, zName } from "../names/names";

/** What makes a mark or a cut, and how far off its place it may put it. */
export const zTool = z.strictObject({
  id: zDocumentId,
  name: zName,
  error: zMmNotNegative,
  /** The least it can take off where it has cut before: a sliver shorter than this slips or tears. */
  bite: zMmNotNegative.optional(),
  /**
   * Of a cleaver: bare glass it must hold beyond its blade. A cleave takes at least so much off the end there was,
   * so a second one needs it as much as the first.
   */
  scrap: zMmNotNegative.optional(),
  /** A blade that is turned to a fresh place: how many places, cleaves at each, and cleaves between wipes. */
  blade: z
    .strictObject({
      positions: z.number().int().min(1).max(100),
      each: z.number().int().min(1).max(100_000),
      wipeEvery: z.number().int().min(1).max(1000),
    })
    .optional(),
  source: zSource,
});
export type Tool = z.output<typeof zTool>;

/** What a length is read with. */
export const zInstrument = zInstrumentError.extend({
  id: zDocumentId,
  name: zName,
  /** Whether it goes along a length or into a gap. */
  reads: z.enum(["length", "gap"]).default("length"),
  /** The longest it reads; anything without one. */
  longest: zMmNotNegative.optional(),
  source: zSource,
});
export type Instrument = z.output<typeof zInstrument>;

/** What reads another thing than a length: a torque, a loss. */
export const zMeter = z.strictObject({
  id: zDocumentId,
  name: zName,
  reads: z.enum(["torque", "loss"]),
  /** Finest step it shows: newton metres, or decibels. */
  resolution: z.number().positive().max(100),
  source: zSource,
});
export type Meter = z.output<typeof zMeter>;

type Readable = Pick<Instrument, "id" | "reads" | "longest">;

/** What is to be read: its figure, micrometres, and whether it is a gap. */
interface ToRead {
  readonly nominal: Length;
  readonly gap?: true | undefined;
}

/**
 * The instruments of a list that can read a length. A gap is read by a gauge, metres by a tape.
 * @example instrumentsFor(instruments, sheet.checks[0]).map(({ id }) => id)
 * // ["steel-rule", "template-card", "cleaver-scale", "digital-calliper", "dial-calliper", "loupe-graticule", "tape-measure"]
 */
export const instrumentsFor = <I extends Readable>(
  instruments: readonly I[],
  { nominal, gap }: ToRead,
): readonly I[] => {
  const able = instruments.filter(
    ({ reads, longest }) =>
      reads === (gap ? "gap" : "length") && (longest === undefined || Math.abs(nominal) <= longest),
  );
  return able.length > 0 ? able : instruments;
};

/** Where the work can hurt: shown beside the steps that name it. */
export const zCaution = z.strictObject({ id: zDocumentId, title: zName, text: z.string().min(1).max(500) });
export type Caution = z.output<typeof zCaution>;
