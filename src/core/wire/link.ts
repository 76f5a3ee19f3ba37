import { z } from "zod";
import { WAVELENGTHS } from "../light/light-reading";
import { SIDES } from "../piece/plan";
import { said } from "../words/service";

/** Which fibre of a piece, from which side. */
export const zLinkQuery = z.object({
  side: z.enum(SIDES, said("side-must-be-a-or-b")).default("A"),
  fibre: z.coerce
    .number()
    .pipe(
      z.int(said("a-fibres-number-must-be-a-whole")).min(1, said("a-fibres-number-must-be-1-or")).max(6_912),
    )
    .default(1),
});

const zPart = z.strictObject({
  kind: z.enum(["connector", "pigtail", "fibre", "splice", "device", "port", "open"]),
  /** Fibre before it, and of a fibre its own length, metres. */
  at: z.number(),
  metres: z.number(),
  /** What it is called: piece and side, closure and slot. */
  name: z.string(),
});

/** A link: what a job's pieces, closures and splices make of one fibre, and the losses measured over it. */
export const zLinkAnswer = z.strictObject({
  parts: z.array(zPart).readonly(),
  wavelengths: z
    .array(
      z.strictObject({
        wavelength: z.literal([...WAVELENGTHS]),
        /** Expected, its standard uncertainty and the limit of all its parts, dB; each part's own in the same order. */
        loss: z.number(),
        u: z.number(),
        limit: z.number(),
        parts: z.array(z.strictObject({ loss: z.number(), limit: z.number() })).readonly(),
        measured: z.strictObject({ loss: z.number(), u: z.number() }).nullable(),
      }),
    )
    .readonly(),
  /** False where an end of it is open still. */
  whole: z.boolean(),
  /** What best explains what is more than expected, the most likely first. */
  suspects: z
    .array(z.strictObject({ suspect: z.enum(["connector", "splice", "bend", "length"]), share: z.number() }))
    .readonly(),
});
export type LinkAnswer = z.output<typeof zLinkAnswer>;
