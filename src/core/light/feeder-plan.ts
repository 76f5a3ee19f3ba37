import { z } from "zod";
import { zUuid } from "../names/names";
import { mustHoldAt } from "../problem/held";
import { said } from "../words/core";
import { lightAlong, type TapJoint, zDb, zFeeder, zLossDb, zTap } from "./light";
import { chooseTaps, type Taps } from "./taps";
import { zStockedTap } from "./taps-in-stock";

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
  /** Metres of cable from the joint to each of its receivers. */
  dropMetres: z
    .number(said("enter-metres-as-a-number"))
    .min(0, said("metres-must-be-0-or-more"))
    .max(20_000, said("metres-must-be-at-most-200-000"))
    .default(0),
  /** Receiver names, in the order of the outputs; empty where none is named. */
  feeds: z.array(zJointName).max(64).default([]),
  /** The closure it is made in; null where none is planned. */
  closure: zUuid(said("a-closures-id-must-be-a-uuid")).nullable().default(null),
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
  stock: z.array(zStockedTap).min(1).max(16),
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

/**
 * Loss of the cable from a joint to its receivers, dB.
 * @example dropLoss({ fibreDbPerKm: 0.25 }, { dropMetres: 400 }) // 0.1
 */
export const dropLoss = (
  { fibreDbPerKm }: Pick<FeederPlan, "fibreDbPerKm">,
  { dropMetres }: Pick<FeederJoint, "dropMetres">,
): number => (dropMetres / 1_000) * fibreDbPerKm;

const tapOf = ({ stock }: Pick<FeederPlan, "stock">, tapPct: number) => ({
  tapPct,
  excessDb: stock.find((tap) => tap.tapPct === tapPct)?.excessDb ?? 0,
});

const jointsOf = (plan: FeederPlan): TapJoint[] =>
  plan.joints.map((joint) => ({
    km: joint.metres / 1_000,
    splices: joint.splices,
    connectors: joint.connectors,
    split: joint.drops,
    splitExcessDb: plan.splitExcessDb,
    dropDb: dropLoss(plan, joint),
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
 * The plan with the taps of the box that give the greatest least margin (exact, see `chooseTaps`), however many of each it takes.
 * @example leastMargin(jointLights(withBestTaps(feeder))).margin >= leastMargin(jointLights(feeder)).margin // true
 */
export const withBestTaps = (plan: FeederPlan): FeederPlan => withTaps(plan, chooseTaps(tapsInput(plan)));

/**
 * A feeder's plan as the computation `stocked-taps` takes it: for the best taps of those that were counted in the box.
 * @example tapsInput(feeder).joints.length // 2
 */
export const tapsInput = (plan: FeederPlan) => ({
  ...feederOf(plan),
  stock: plan.stock,
  joints: jointsOf(plan),
  margin: plan.margin,
});

/**
 * A plan with a choice of taps, joint by joint.
 * @example withTaps(feeder, { choice: [20, 50] }).joints[1]?.tapPct // 50
 */
export const withTaps = (plan: FeederPlan, { choice }: Pick<Taps, "choice">): FeederPlan => ({
  ...plan,
  joints: plan.joints.map((joint, i) => ({ ...joint, tapPct: choice[i] ?? joint.tapPct })),
});

/** A kind of tap a plan takes: how many, and how many the box lacks; null where nobody has counted. */
interface TapNeeded {
  readonly tapPct: number;
  readonly count: number;
  readonly lacking: number | null;
}

/**
 * Counts of each tap a plan needs, largest share last, and how many of them the box lacks.
 * @example tapsToBring(feeder) // [{ tapPct: 10, count: 2, lacking: null }]
 */
export const tapsToBring = ({ joints, stock }: Pick<FeederPlan, "joints" | "stock">): TapNeeded[] =>
  [...new Set(joints.map(({ tapPct }) => tapPct))]
    .sort((a, b) => a - b)
    .map((tapPct) => {
      const count = joints.filter((joint) => joint.tapPct === tapPct).length;
      const stocked = stock.find((tap) => tap.tapPct === tapPct);
      // A tap that is not in the list of the box is not in the box.
      const held = stocked ? stocked.count : 0;
      return { tapPct, count, lacking: held === null ? null : Math.max(0, count - held) };
    });

const typicalJoint: FeederJoint = {
  ...{ name: "", metres: 100, splices: 2, connectors: 1, tapPct: 10, drops: 1 },
  ...{ dropMetres: 0, feeds: [], closure: null },
};

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
  stock: [5, 10, 20, 30, 50].map((tapPct) => ({ tapPct, excessDb: 0.2, count: null })),
  joints: [typicalJoint],
};

/**
 * The plan with one more joint at its end, like the last one.
 * @example withJoint(feeder).joints.length // 3
 */
export const withJoint = (plan: FeederPlan): FeederPlan =>
  plan.joints.length >= MOST_JOINTS
    ? plan
    : {
        ...plan,
        joints: [
          ...plan.joints,
          { ...(plan.joints.at(-1) ?? typicalJoint), name: "", feeds: [], closure: null },
        ],
      };
