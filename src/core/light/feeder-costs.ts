import { type FeederPlan, jointLights, leastMargin } from "./feeder-plan";

/** What a change at a joint takes from the drops, dB: the joint's own, and every one behind it; `least` is the least margin then. */
interface FeederCost {
  readonly own: number;
  readonly behind: number;
  readonly least: number;
}

/**
 * What one more joint like this one costs everybody behind it: a closure more on the way, with its tap, at the same place.
 * @example oneMoreJoint(feeder, 0).behind > 0 // true
 */
export function oneMoreJoint(plan: FeederPlan, at: number): FeederCost {
  const joint = plan.joints[at];
  if (!joint) return { own: 0, behind: 0, least: leastMargin(jointLights(plan)).margin };
  const added = { ...joint, metres: 0 };
  const joints = [...plan.joints.slice(0, at + 1), added, ...plan.joints.slice(at + 1)];
  const before = jointLights(plan);
  const after = jointLights({ ...plan, joints });
  const [own, behind] = [before[at], after[at + 1]];
  return {
    own: 0,
    behind: own && behind ? own.through - behind.through : 0,
    least: leastMargin(after).margin,
  };
}

/**
 * What a longer drop cable costs: its own receivers alone, and what it does to the least margin.
 * @param metres how much longer, for example 2.
 * @example longerDrop(feeder, 0, 2).behind // 0
 */
export function longerDrop(plan: FeederPlan, at: number, metres: number): FeederCost {
  const joints = plan.joints.map((joint, i) =>
    i === at ? { ...joint, dropMetres: joint.dropMetres + metres } : joint,
  );
  const [before, after] = [jointLights(plan), jointLights({ ...plan, joints })];
  return {
    own: (before[at]?.margin ?? 0) - (after[at]?.margin ?? 0),
    behind: 0,
    least: leastMargin(after).margin,
  };
}
