import { type ClosureId, dropLoss, type JobId, jointLights, type OutputLight, type SplicePlan } from "@/core";
import type { Store } from "@/store/database/store";
import { feederPlanIn, feedersOf } from "@/store/plan/feeders";

interface ClosureOutputs {
  readonly id: ClosureId;
  readonly job: JobId;
  /** Limits from its own splice plan; null where it has none. */
  readonly receiver: SplicePlan["receiver"];
}

/**
 * Expected power and limits at the outputs of a closure: from the feeder with a joint in it, else from its own splice plan.
 * @returns null where neither says.
 */
export function outputLight(store: Store, { id, job, receiver }: ClosureOutputs): OutputLight | null {
  for (const row of feedersOf(store, job)) {
    const plan = feederPlanIn(row);
    const at = plan.joints.findIndex(({ closure }) => closure === id);
    const joint = plan.joints[at];
    if (!joint) continue;
    // The cable to the receiver lies behind the output.
    const behind = dropLoss(plan, joint);
    return {
      expectedDbm: (jointLights(plan)[at]?.drop ?? 0) + behind,
      leastDbm: plan.sensitivityDbm + plan.margin + behind,
      mostDbm: plan.mostDbm === null ? null : plan.mostDbm + behind,
      joint: {
        feeder: plan.name,
        tapPct: joint.tapPct,
        excessDb: plan.stock.find(({ tapPct }) => tapPct === joint.tapPct)?.excessDb ?? 0,
        splitExcessDb: plan.splitExcessDb,
        drops: joint.drops,
        feeds: joint.feeds,
      },
    };
  }
  return receiver && { ...receiver, expectedDbm: null, joint: null };
}
