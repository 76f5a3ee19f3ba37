import { z } from "zod";
import { zSource } from "../cable/cable";
import { zInstrumentError } from "../conformance/conformance";
import { zMmNotNegative } from "../length/length";
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
export const zInstrument = zInstrumentError.extend({ id: zDocumentId, name: zName, source: zSource });
export type Instrument = z.output<typeof zInstrument>;

/** Where the work can hurt: shown beside the steps that name it. */
export const zCaution = z.strictObject({ id: zDocumentId, title: zName, text: z.string().min(1).max(500) });
export type Caution = z.output<typeof zCaution>;
