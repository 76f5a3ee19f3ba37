import { z } from "zod";
import { mustHoldAt } from "../problem/held";
import { said } from "../words/core";
import { lightAlong, zDb, zFeeder, zLossDb, zTap } from "./light";
import { chooseTaps } from "./taps";

const MOST_JOINTS = 64;

const zJointName = z.string().trim().max(60, said("a-name-must-have-at-most-60"));

/** A joint of a feeder as it is planned: how far behind the one before, what lies between, its tap and its drops. */
const zFeederJoint = z.strictObject({
  name: zJointName,
  /** Metres of fibre from the source or the joint before. */
  metres: z
    .number(said("enter-metres-as-a-number"))
    .min(0, said("metres-must-be-0-or-more"))
    .max(200_000, said("metres-must-be-at-most-200-000")),
  splices: z.int(said("this-must-be-a-whole-number")).min(0, said("this-must-be-0-or-more")).max(100),
  connectors: z.int(said("this-must-be-a-whole-number")).min(0, said("this-must-be-0-or-more")).max(100),
  tapPct: zTap.shape.tapPct,
  /** Drops behind the tap: more than one are divided by a splitter. */
  drops: z.int(said("this-must-be-a-whole-number")).min(1, said("a-joint-has-at-least-1-drop")).max(64),
});

/** A feeder as it is planned: source, fibre, receivers, the taps in the box, and its joints in order. */
export const zFeederPlan = z.strictObject({
  name: zJointName,
  source: zJointName,
  ...zFeeder.shape,
  /** The most power a receiver takes, dBm; null where nobody has said. */
  mostDbm: zDb.nullable(),
  /** The margin wanted at every drop, dB. */
  margin: z.number(said("this-must-be-a-number-of-db")).min(0, said("a-margin-must-be-0-db-or-more")).max(60),
  splitExcessDb: zLossDb,
  stock: z.array(zTap).min(1).max(16),
  joints: z.array(zFeederJoint).min(1).max(MOST_JOINTS, said("give-at-most-64-joints")),
});
export type FeederPlan = z.output<typeof zFeederPlan>;
export type FeederJoint = FeederPlan["joints"][number];

/** Light at one joint. */
export interface JointLight {
  /** Metres along the feeder. */
  readonly along: number;
  /** Power at each of its drops, and on behind its tap, dBm. */
  readonly drop: number;
  readonly through: number;
  /** Over what a receiver needs, dB. */
  readonly margin: number;
  /** Short of the wanted margin, or more than a receiver takes; null where it is neither. */
  readonly trouble: "short" | "too-much" | null;
}

const tapOf = ({ stock }: Pick<FeederPlan, "stock">, tapPct: number) => ({
  tapPct,
  excessDb: stock.find((tap) => tap.tapPct === tapPct)?.excessDb ?? 0,
});

const jointsOf = ({ joints, splitExcessDb }: FeederPlan) =>
  joints.map(({ metres, splices, connectors, drops }) => ({
    km: metres / 1_000,
    splices,
    connectors,
    split: drops,
    splitExcessDb,
  }));

const feederOf = ({ launchDbm, fibreDbPerKm, spliceDb, connectorDb, sensitivityDbm }: FeederPlan) => ({
  launchDbm,
  fibreDbPerKm,
  spliceDb,
  connectorDb,
  sensitivityDbm,
});

/**
 * Light at every joint of a feeder as it is planned, in order.
 * @example jointLights(feeder)[0]?.along // 60
 */
export function jointLights(plan: FeederPlan): JointLight[] {
  const taps = jointsOf(plan).map((joint, i) => ({
    ...joint,
    ...tapOf(plan, mustHoldAt(plan.joints, i).tapPct),
  }));
  let along = 0;
  return lightAlong({ ...feederOf(plan), taps }).taps.map(({ drop, through, margin }, i) => {
    along += mustHoldAt(plan.joints, i).metres;
    const tooMuch = plan.mostDbm !== null && drop > plan.mostDbm;
    const trouble = margin < plan.margin ? "short" : tooMuch ? "too-much" : null;
    return { along, drop, through, margin, trouble };
  });
}

/** The joint with the least margin. */
interface LeastMargin {
  readonly at: number;
  readonly margin: number;
}

/**
 * Where a feeder's margin is least: the first such joint.
 * @example leastMargin(jointLights(feeder)).at // 1
 */
export const leastMargin = (lights: readonly Pick<JointLight, "margin">[]): LeastMargin =>
  lights.reduce<LeastMargin>((least, { margin }, at) => (margin < least.margin ? { at, margin } : least), {
    at: 0,
    margin: Number.POSITIVE_INFINITY,
  });

/** What a tap in the box would give at a joint, and leave for the others. */
interface TapChoice {
  readonly tapPct: number;
  readonly own: number;
  /** The least margin behind the joint; null at the last one. */
  readonly after: number | null;
  readonly all: number;
}

/**
 * A plan with another tap at a joint.
 * @example withTap(feeder, 1, 50).joints[1]?.tapPct // 50
 */
export const withTap = (plan: FeederPlan, at: number, tapPct: number): FeederPlan => ({
  ...plan,
  joints: plan.joints.map((joint, i) => (i === at ? { ...joint, tapPct } : joint)),
});

/**
 * What each tap in the box would give at a joint.
 * @example tapChoices(feeder, 0).map(({ tapPct }) => tapPct) // [5, 10, 20, 30, 50]
 */
export const tapChoices = (plan: FeederPlan, at: number): TapChoice[] =>
  plan.stock.map(({ tapPct }) => {
    const lights = jointLights(withTap(plan, at, tapPct));
    const behind = lights.slice(at + 1);
    return {
      tapPct,
      own: mustHoldAt(lights, at).margin,
      after: behind.length > 0 ? leastMargin(behind).margin : null,
      all: leastMargin(lights).margin,
    };
  });

/**
 * The plan with the taps of the box that give the greatest least margin (exact, see `chooseTaps`).
 * @example leastMargin(jointLights(withBestTaps(feeder))).margin >= leastMargin(jointLights(feeder)).margin // true
 */
export function withBestTaps(plan: FeederPlan): FeederPlan {
  const { choice } = chooseTaps({
    ...feederOf(plan),
    stock: plan.stock,
    joints: jointsOf(plan),
    margin: plan.margin,
  });
  return {
    ...plan,
    joints: plan.joints.map((joint, i) => ({ ...joint, tapPct: choice[i] ?? joint.tapPct })),
  };
}

/**
 * How many of each tap a plan takes, largest share last: what to bring.
 * @example tapsToBring(feeder) // [{ tapPct: 10, count: 2 }]
 */
export const tapsToBring = ({
  joints,
}: Pick<FeederPlan, "joints">): { readonly tapPct: number; readonly count: number }[] =>
  [...new Set(joints.map(({ tapPct }) => tapPct))]
    .sort((a, b) => a - b)
    .map((tapPct) => ({ tapPct, count: joints.filter((joint) => joint.tapPct === tapPct).length }));

const typicalJoint: FeederJoint = { name: "", metres: 100, splices: 2, connectors: 1, tapPct: 10, drops: 1 };

/** A feeder before anything is said of it: our own usual figures, each to be checked against the parts' own sheets. */
export const NEW_FEEDER: FeederPlan = {
  name: "",
  source: "",
  launchDbm: 3,
  sensitivityDbm: -24,
  mostDbm: -3,
  margin: 3,
  fibreDbPerKm: 0.25,
  spliceDb: 0.1,
  connectorDb: 0.3,
  splitExcessDb: 0.4,
  stock: [5, 10, 20, 30, 50].map((tapPct) => ({ tapPct, excessDb: 0.2 })),
  joints: [typicalJoint],
};

/**
 * The plan with one more joint at its end, like the last one.
 * @example withJoint(feeder).joints.length // 3
 */
export const withJoint = (plan: FeederPlan): FeederPlan =>
  plan.joints.length >= MOST_JOINTS
    ? plan
    : { ...plan, joints: [...plan.joints, { ...(plan.joints.at(-1) ?? typicalJoint), name: "" }] };
