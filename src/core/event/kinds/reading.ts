import { z } from "zod";
import { zSeenFibre } from "../../cable/seen";
import { zDocumentId, zName, zUuid } from "../../names/names";
import { coded } from "../../problem/codes";
import { said } from "../../words/core";
import { type LengthSchema, LONGEST_READING } from "./length-schema";

/** A length that was measured. */
export const readingWith = (zLength: LengthSchema) =>
  z.strictObject({
    kind: z.literal("reading"),
    /** Id of the run sheet's check it belongs to. */
    check: zName,
    /** Less than nothing where one end of the length can lie on either side of the other. */
    value: zLength.refine((value) => Math.abs(value) <= LONGEST_READING, {
      ...said("a-reading-must-be-at-most-mm", { value: LONGEST_READING / 1000 }),
      params: coded("too-long"),
    }),
    /** As it was typed, kept for the record. */
    typed: z.string().min(1).max(40),
    unit: z.enum(["mm", "in"]),
    instrument: z.strictObject({
      id: zDocumentId,
      name: zName,
      resolution: zLength,
      repeatability: zLength,
      /** As its last check against a gauge left it; none where it was not checked. */
      bias: zLength.optional(),
    }),
  });

/** A reading that no longer counts. */
export const zStrike = z.strictObject({
  kind: z.literal("strike"),
  reading: zUuid(said("name-the-reading-to-strike-out")),
});

/** What was seen at a look. */
export const zAnswer = z.strictObject({
  kind: z.literal("answer"),
  judgement: zName,
  answer: zName,
  /** The colours it was answered by, where it asks which fibres these are. */
  seen: z.array(zSeenFibre).min(1).max(1_000).optional(),
});
