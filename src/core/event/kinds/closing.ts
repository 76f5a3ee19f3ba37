import { z } from "zod";
import { zUuid } from "../../names/names";
import { PROOFS } from "../../people/crew-event";
import { said } from "../../words/core";
import { OUTCOMES } from "./faults";

/** What a signature says of an end. */
export const MEANINGS = ["made", "checked", "accepted"] as const;
export type Meaning = (typeof MEANINGS)[number];

const zProofGiven = z.strictObject({ how: z.enum(PROOFS), device: z.string().max(60) });

/** A signature as it stands on an end: whose, when, what it says, how it was proven. */
export interface Signature {
  readonly name: string;
  readonly at: string;
  readonly means: Meaning;
  readonly reasons?: string | undefined;
  readonly proof?: z.output<typeof zProofGiven> | undefined;
}

const zSigned = {
  name: z
    .string(said("enter-the-name-of-whoever-signs-off"))
    .trim()
    .min(1, said("enter-the-name-of-whoever-signs-off"))
    .max(120, said("a-name-must-have-at-most-120")),
  /** Why it is accepted as it is; asked for where it is. */
  reasons: z.string().trim().max(300, said("enter-at-most-300-characters")).optional(),
  /** Added by the server; absent where the crew does not ask for proof. */
  proof: zProofGiven.optional(),
};

export const zSign = z.strictObject({
  kind: z.literal("sign"),
  ...zSigned,
  outcome: z.enum(OUTCOMES),
  /** Absent where it was not asked: whoever signs off made it. */
  means: z.enum(MEANINGS).optional(),
  /** Why it is signed though a shard is not accounted for. */
  missingShards: z.string().trim().max(300).optional(),
});

/** A second signature, by another person than the one who signed the end off. */
export const zCountersign = z.strictObject({
  kind: z.literal("countersign"),
  ...zSigned,
  means: z.enum(["checked", "accepted"]),
});

/** Put aside for now, with a word why; its clocks do not run. Off: taken up again. */
export const zPark = z.strictObject({
  kind: z.literal("park"),
  on: z.boolean(),
  why: z.string().trim().max(200, said("a-reason-must-have-at-most-200")).default(""),
});

/** Puts an event right without touching it: which, what it should say, why, and who says so. */
export const zCorrection = z.strictObject({
  kind: z.literal("correction"),
  corrects: zUuid(said("name-the-event-to-correct")),
  says: z
    .string()
    .trim()
    .min(1, said("enter-the-correct-value"))
    .max(300, said("enter-at-most-300-characters")),
  why: z
    .string()
    .trim()
    .min(1, said("enter-why-it-is-corrected"))
    .max(300, said("enter-at-most-300-characters")),
  name: z
    .string()
    .trim()
    .min(1, said("enter-the-name-of-whoever-corrects-it"))
    .max(120, said("a-name-must-have-at-most-120")),
});

const zPhotoHash = z.string().regex(/^[0-9a-f]{64}$/, said("a-photographs-id-must-be-the-sha"));

/** Kinds of picture that are taken in. */
export const PICTURES = ["jpeg", "png", "webp"] as const;

/** A photograph kept beside the database under the hash of its bytes. */
export const zPhoto = z.strictObject({
  kind: z.literal("photo"),
  sha256: zPhotoHash,
  width: z.int().min(1).max(20_000),
  height: z.int().min(1).max(20_000),
  bytes: z.int().min(1),
  caption: z.string().trim().max(200, said("a-caption-must-have-at-most-200")),
  /** The bytes as the camera sent them; absent where the crew does not store them. */
  original: z.strictObject({ sha256: zPhotoHash, type: z.enum(PICTURES), bytes: z.int().min(1) }).optional(),
});
