import { z } from "zod";

/** What the files of a proof are called. */
export const HEAD = "proof.json";
export const END_FILE = /^ends\/([0-9a-z-]{1,60})\.json$/;
export const DOCUMENT_FILE = /^documents\/([0-9a-f]{64})\.json$/;
export const PHOTOGRAPH_FILE = /^photos\/([0-9a-f]{64})\.jpg$/;

const zHash = z.string().regex(/^[0-9a-f]{64}$/);

/** The head of a proof: what it is, and the seal all of it is proven against. */
export const zHead = z.strictObject({
  arlent: z.literal("proof"),
  v: z.literal(1),
  program: z.string(),
  at: z.iso.datetime(),
  /** A signed seal in one line: when, over how many lines of the register, their root, the site's key, the signature. */
  seal: z.string(),
  ends: z.int().min(0),
});

/** A line of the register with what proves that it is in the seal's tree (RFC 6962, 2.1.1). */
const zLine = z.strictObject({
  index: z.int().min(0),
  kind: z.string(),
  ref: z.string(),
  digest: z.string(),
  path: z.array(zHash).readonly(),
});

const zProvenEvent = z.strictObject({
  v: z.int(),
  id: z.string(),
  seq: z.int(),
  at: z.string(),
  client: z.string(),
  body: z.string(),
  before: zHash,
  hash: zHash,
});

/** One end as it lies in the record, with its lines of the register. */
export const zProvenEnd = z.strictObject({
  id: z.string(),
  /** What it was started as, word for word; null for ends of version 1, whose parts are beside it. */
  founding: z.string().nullable(),
  founding1: z.array(z.unknown()).readonly().nullable(),
  /** The batch it was made in; null for one by itself. */
  batch: z.strictObject({ id: z.string(), createdAt: z.string(), name: z.string() }).nullable(),
  events: z.array(zProvenEvent).readonly(),
  /** Documents it was made by, by their hash: each lies beside it, word for word. */
  documents: z.array(zHash).readonly(),
  photographs: z.array(zHash).readonly(),
  lines: z.array(zLine).readonly(),
});

export type ProvenEnd = z.output<typeof zProvenEnd>;
