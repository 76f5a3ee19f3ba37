import { z } from "zod";
import { zFeederPlan } from "../light/feeder-plan";
import { WAVELENGTHS, zReference } from "../light/light-reading";
import { zUuid } from "../names/names";
import { said } from "../words/service";

export const zNewFeeder = z.strictObject({
  id: zUuid(said("a-feeders-id-must-be-a-uuid")).optional(),
  plan: zFeederPlan,
});

export const zSaveFeeder = z.strictObject({
  /** The revision the change was made on. */
  basis: z.int().min(1),
  /** Null takes the feeder off the job; a plan puts it back. */
  plan: zFeederPlan.nullable(),
});

/** A feeder as it is planned now; `revision` is what a change of it must have seen. */
export const zFeederSaved = z.strictObject({ id: z.string(), revision: z.int(), plan: zFeederPlan });

/** A power read at an output of a feeder's joint. */
const zPortReading = z.strictObject({
  /** The joint, from 0. */
  joint: z.int(),
  /** Label of the output. */
  label: z.string(),
  dBm: z.number(),
  wavelength: z.literal([...WAVELENGTHS]),
  at: z.string(),
  by: z.string().nullable(),
});

/** A feeder of a job, with the powers that were read at its joints' outputs. */
export const zFeederAnswer = zFeederSaved.extend({
  job: z.string(),
  readings: z.array(zPortReading).readonly(),
});
export type FeederAnswer = z.output<typeof zFeederAnswer>;

/** Feeders of a job, in the order they came. */
export const zFeedersAnswer = z.strictObject({ feeders: z.array(zFeederSaved).readonly() });

/** A reference of light that was taken, to be shared by the crew. */
export const zNewReference = z.strictObject({
  id: zUuid(said("an-id-is-a-uuid")).optional(),
  reference: zReference,
});

/** A reference of the crew: who took it, and how often its cord was mated since. */
const zCrewReference = z.strictObject({
  id: z.string(),
  by: z.string().nullable(),
  reference: zReference,
  matings: z.int(),
});
export type CrewReference = z.output<typeof zCrewReference>;

/** References taken within the last hours that can still be used, newest first. */
export const zReferencesAnswer = z.strictObject({ references: z.array(zCrewReference).readonly() });
