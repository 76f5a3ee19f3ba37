import { z } from "zod";
import { said } from "../words/service";
import { zPlaceQuery } from "./plans-requests";

const zWhy = {
  why: z.string().trim().max(300, said("a-reason-has-at-most-300-characters")).default(""),
};

/** Which revision the person had before them: another one in between is never written over. */
const zBasis = z.int(said("the-revision-it-was-made-from-is")).min(1);

export const zSave = z.strictObject({
  document: z.record(z.string(), z.unknown(), said("a-document-is-an-object")),
  /** The revision it was made from; null for a document that is new here. */
  basis: zBasis.nullable(),
  /** What a new document was copied from: figures left as they were there stay whose they were. */
  from: z.string().max(80).optional(),
  ...zWhy,
});

export const zPutAway = z.strictObject({ basis: zBasis, ...zWhy });

export const zRestore = z.strictObject({ basis: zBasis, restore: zBasis, ...zWhy });

export const zConfirm = z.strictObject({
  basis: zBasis,
  cable: z.string().max(80),
  /** Where on a piece that cable is opened out: what lies there is no cable of the shelf. */
  place: zPlaceQuery.extend({ piece: z.string().max(60) }).optional(),
  core: z.string().max(20),
  choices: z.record(z.string().max(80), z.string().max(80)).default({}),
  figures: z
    .array(
      z.strictObject({
        key: z.string().max(200),
        value: z.number().finite(),
        plus: z.number().min(0).nullable().default(null),
        minus: z.number().min(0).nullable().default(null),
        most: z.number().nullable().default(null),
        printed: z
          .tuple([z.string().max(40), z.string().max(40)])
          .nullable()
          .default(null),
      }),
    )
    .min(1, said("nothing-was-confirmed"))
    .max(500),
  /** Number of the sheet the figures were held against; null where it has none. */
  sheet: z
    .string(said("give-the-number-of-the-parts-sheet"))
    .trim()
    .min(1, said("give-the-number-of-the-parts-sheet"))
    .max(80)
    .nullable(),
  /** Who confirms them, where no person is known at the device. */
  name: z.string().trim().max(120).default(""),
  ...zWhy,
});
