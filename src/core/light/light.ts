import { z } from "zod";
import { said } from "../words/core";

export const zDb = z
  .number(said("this-must-be-a-number-of-db"))
  .min(-1e4, said("this-must-be-within-10-000-db"))
  .max(1e4, said("this-must-be-within-10-000-db"));

/** A loss: it never gives power. */
export const zLossDb = zDb.min(0, said("a-loss-must-be-0-db-or-more"));

const zCountOf = z
  .int(said("this-must-be-a-whole-number"))
  .min(0, said("this-must-be-0-or-more"))
  .max(10_000, said("this-must-be-at-most-10-000"));

const zKm = z
  .number(said("kilometres-must-be-a-number"))
  .min(0, said("kilometres-must-be-0-or-more"))
  .max(1e6, said("kilometres-must-be-at-most-a-million"));

/** A tap: what it gives to its drop, and what it loses on both ways. */
export const zTap = z.strictObject({
  tapPct: z
    .number(said("a-tap-must-be-a-percentage"))
    .gt(0, said("a-tap-must-give-more-than-0"))
    .lt(100, said("a-tap-must-give-less-than-100")),
  excessDb: zLossDb,
});

/** What lies before a tap joint, and what divides its drop. */
export const zTapJoint = z.strictObject({
  km: zKm,
  splices: zCountOf,
  connectors: zCountOf,
  split: z
    .int(said("a-splitter-has-a-whole-number-of-outputs"))
    .min(1, said("a-splitter-has-at-least-1-output"))
    .max(1_024, said("a-splitter-has-at-most-1-024-outputs")),
  splitExcessDb: zLossDb,
});

/** What a feeder is fed with, what each kilometre and joint takes, and what a receiver needs. */
export const zFeeder = z.strictObject({
  launchDbm: zDb,
  fibreDbPerKm: zLossDb,
  spliceDb: zLossDb,
  connectorDb: zLossDb,
  sensitivityDbm: zDb,
});

export type Tap = z.output<typeof zTap>;
/** A tap joint; `dropDb` is what lies behind its tap on the way to the receiver, 0 where it is left out. */
export type TapJoint = z.output<typeof zTapJoint> & { readonly dropDb?: number };
export type Feeder = z.output<typeof zFeeder>;

export const zLightInput = zFeeder.extend({
  taps: z
    .array(zTapJoint.extend(zTap.shape))
    .min(1, said("give-at-least-one-tap"))
    .max(10_000, said("give-at-most-10-000-taps")),
});

type LightInput = z.output<typeof zFeeder> & { readonly taps: readonly (TapJoint & Tap)[] };

/** Power behind a tap joint, dBm: to the drop, behind its splitter, and on along the feeder; and the drop's margin, dB. */
interface TapPower {
  readonly drop: number;
  readonly through: number;
  readonly margin: number;
}

const dbOf = (ratio: number): number => 10 * Math.log10(ratio);

/** What arrives before a tap. Fibre, splices and connectors of its joint lie in front of it. */
const arriving = (feeder: Feeder, joint: TapJoint, power: number): number =>
  power -
  joint.km * feeder.fibreDbPerKm -
  joint.splices * feeder.spliceDb -
  joint.connectors * feeder.connectorDb;

/** Power behind one tap joint, of what comes along the feeder. A splitter of one output is none: its excess is not counted. */
export function behindTap(
  feeder: Feeder,
  joint: TapJoint,
  { tapPct, excessDb }: Tap,
  power: number,
): TapPower {
  const before = arriving(feeder, joint, power) - excessDb;
  const split = joint.split === 1 ? 0 : dbOf(joint.split) + joint.splitExcessDb;
  const drop = before + dbOf(tapPct / 100) - split - (joint.dropDb ?? 0);
  return { drop, through: before + dbOf(1 - tapPct / 100), margin: drop - feeder.sensitivityDbm };
}

/**
 * Power through a row of tap joints (the decibel: IEC 60027-3, from memory).
 * @example lightAlong({ launchDbm: 0, fibreDbPerKm: 0, spliceDb: 0, connectorDb: 0, sensitivityDbm: -20, taps: [{ km: 0, splices: 0, connectors: 0, tapPct: 10, excessDb: 0, split: 1, splitExcessDb: 0 }] }).taps[0].drop
 * // -10
 */
export function lightAlong({ taps, ...feeder }: LightInput): { readonly taps: readonly TapPower[] } {
  let power = feeder.launchDbm;
  return {
    taps: taps.map((tap) => {
      const behind = behindTap(feeder, tap, tap, power);
      power = behind.through;
      return behind;
    }),
  };
}
