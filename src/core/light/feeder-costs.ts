import { type FeederPlan, jointLights, leastMargin } from "./feeder-plan";

/** Loss a change at a joint adds, dB: to the joint's own drops, and to every drop behind it; `least` is the least margin after it. */
interface FeederCost {
  readonly own: number;
  readonly behind: number;
  readonly least: number;
}

/**
 * Cost of one more joint like this one at the same place: every drop behind it loses the new tap's through loss.
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
 * Cost of a longer drop cable: only its own receivers lose light. Also the least margin after it.
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
