import { z } from "zod";
import { zRule } from "../conformance/conformance";
import { RESULTS } from "../event/judged";
import { MEANINGS } from "../event/kinds/closing";
import { FAULTS, OUTCOMES } from "../event/kinds/faults";
import { PURPOSES } from "../event/recorded";
import { zMm, zMmExact } from "../length/length";
import { PROOFS } from "../people/crew-event";
import { zConfirmation } from "../procedure/procedure";
import { zAttempt } from "./attempts";
import { zDrawn } from "./drawn";
import { zFaceRecord } from "./end-face";
import { zLegTold } from "./legs";
import { zLightStands, zLightTold } from "./light";
import { zLook } from "./looks";
import { zOpen } from "./open";
import { zReading } from "./reading";
import { zToolRecord } from "./tool-checks";

const zVerdict = z.enum(["in", "out", "unsure"]);

/** A length as it is shown: what was asked, whose figure it is, what was read, what that was judged to be. */
const zLength = z.strictObject({
  id: z.string(),
  name: z.string(),
  leg: z.string(),
  nominal: zMm,
  min: zMm.nullable(),
  max: zMm.nullable(),
  /**
   * Of what both sides of an opening make together: what the other side had over its own figure, less than nothing where it
   * was short; the limits are what it left to this one. Null for every other length.
   */
  otherSide: zMm.nullable(),
  /** True until somebody has confirmed the figure against the part's data sheet. */
  representative: z.boolean(),
  /** Person, data sheet and change of the figure's confirmation; null without one. */
  confirmation: zConfirmation.nullable(),
  verdict: zVerdict.nullable(),
  probability: z.number().nullable(),
  mean: zMmExact.nullable(),
  u: zMmExact.nullable(),
  readings: z.array(zReading),
});

/** Meaning of a signature, and the signer's proof of identity; null where no proof was required. */
const zMeant = {
  means: z.enum(MEANINGS),
  reasons: z.string().nullable(),
  proof: z.strictObject({ how: z.enum(PROOFS), device: z.string() }).nullable(),
};

/** A mark or cut as it was laid off, and whose figure that is. */
const zFigureTold = z.strictObject({
  step: z.int(),
  title: z.string(),
  feature: z.string(),
  fromEnd: zMm,
  from: z.string(),
  distance: zMm,
  representative: z.boolean(),
  confirmation: zConfirmation.nullable(),
});

/** Everything a record states of an end. Lengths in millimetres outside, micrometres inside. */
export const zRecord = z.strictObject({
  id: z.string(),
  purpose: z.enum(PURPOSES),
  job: z.string(),
  label: z.string(),
  style: z.strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.int(),
    /** Source of the document's figures as a whole; a figure may have a source of its own. */
    figures: z.strictObject({
      kind: z.enum(["representative", "own"]),
      note: z.string(),
      date: z.string(),
    }),
  }),
  cable: z.strictObject({
    id: z.string(),
    name: z.string(),
    revision: z.int(),
    core: z.string(),
    lost: zMm,
    left: zMm.nullable(),
  }),
  /** The piece as it was called when the end began, the side or station, what was ended there; null for an end by itself. */
  where: z
    .strictObject({
      piece: z.string(),
      name: z.string(),
      plan: z.int(),
      /** Null where it was opened in mid-run: then at the station of this name. */
      side: z.enum(["A", "B"]).nullable(),
      station: z.string(),
      /** `tube 3 / fibre 7`; empty for the cable itself. */
      address: z.string(),
    })
    .nullable(),
  choices: z.record(z.string(), z.string()),
  as: z.array(z.string()),
  rule: zRule,
  started: z.string(),
  program: z.string(),
  hash: z.string(),
  signed: z
    .strictObject({
      name: z.string(),
      /** The person's id and what they are called now; null where that was never said. */
      person: z.string().nullable(),
      called: z.string().nullable(),
      at: z.string(),
      outcome: z.enum(OUTCOMES),
      missingShards: z.string().optional(),
      ...zMeant,
    })
    .nullable(),
  /** Second signatures, in the order they came. */
  countersigned: z.array(
    z.strictObject({ name: z.string(), person: z.string().nullable(), at: z.string(), ...zMeant }),
  ),
  /** As judged when it was signed off; until then, as it stands. */
  result: z.enum(RESULTS),
  /** True for a sheath opened in mid-run: its legs are the two sides of the opening. */
  midRun: z.boolean(),
  lengths: z.array(zLength),
  /** Each leg of a cord of several, as it stands by itself. */
  legs: z.array(zLegTold),
  figures: z.array(zFigureTold),
  /** The end as it is drawn: each place as the sheet has it and as it was made. */
  drawn: z.array(zDrawn),
  open: z.array(zOpen),
  reworks: z.array(
    z.strictObject({
      at: z.string(),
      by: z.string().nullable(),
      leg: z.string(),
      plan: z.enum(["least", "recommended"]),
      rule: z.string().nullable(),
      why: z.string(),
      cableLost: zMm,
      moves: z.array(
        z.strictObject({ feature: z.string(), name: z.string(), was: zMm.nullable(), now: zMm }),
      ),
    }),
  ),
  attempts: z.array(zAttempt),
  /** How often each retry rule was used. */
  tried: z.array(z.strictObject({ rule: z.string(), name: z.string(), leg: z.string(), count: z.int() })),
  faults: z.array(
    z.strictObject({
      leg: z.string(),
      feature: z.string(),
      name: z.string(),
      what: z.enum(FAULTS),
      behind: zMm.nullable(),
      at: z.string(),
      /** Whether it still stood: neither taken back nor made again. */
      stands: z.boolean(),
    }),
  ),
  looks: z.array(zLook),
  parts: z.array(z.strictObject({ id: z.string(), name: z.string(), on: z.boolean() })),
  shards: z.strictObject({ made: z.int(), binned: z.int() }),
  used: z.array(z.strictObject({ item: z.string(), count: z.int() })),
  /** What the sheet has counted: bites, passes, wipes. Null where a step was passed by without. */
  counts: z.array(
    z.strictObject({
      step: z.string(),
      title: z.string(),
      of: z.string(),
      min: z.int(),
      max: z.int(),
      count: z.int().nullable(),
    }),
  ),
  /** Light read through it, in order; what was read of an end that was made again since does not stand. */
  light: z.array(zLightTold),
  /** How it stands in light at each wavelength: by its newest reading, or the mean of both directions. */
  lightStands: z.array(zLightStands),
  /** End faces as they were looked at, in order. */
  faces: z.array(zFaceRecord),
  /** Standing by the checks of the tools it was made with; none that was never checked. */
  tools: z.array(zToolRecord),
  photos: z.array(
    z.strictObject({
      sha256: z.string(),
      caption: z.string(),
      width: z.int(),
      height: z.int(),
      /** Hash of the bytes as the camera sent them, where the crew stores them. */
      original: z.string().optional(),
    }),
  ),
  corrections: z.array(
    z.strictObject({
      corrects: z.string(),
      says: z.string(),
      why: z.string(),
      name: z.string(),
      at: z.string(),
    }),
  ),
  /** Readings that no longer speak for the end. */
  struck: z.array(zReading.extend({ length: z.string(), why: z.enum(["struck out", "taken back"]) })),
  voided: z.array(zReading.extend({ length: z.string() })),
  /** Events this program cannot read: what they say is not in this record. */
  unread: z.array(z.strictObject({ seq: z.int(), why: z.enum(["newer", "strange"]), says: z.string() })),
});

/** The record of an end. Lengths in micrometres. */
export type EndRecord = z.output<typeof zRecord>;

/** The same as it leaves for elsewhere: plain JSON, millimetres. */
export type RecordDocument = z.input<typeof zRecord>;
