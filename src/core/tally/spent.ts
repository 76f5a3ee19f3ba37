import type { EndState } from "../end/state";
import type { EndEvent } from "../event/event";
import type { Line } from "../runsheet/runsheet";

/** The item under which a stroke of a cleaver is counted. */
export const CLEAVE = "cleave";

/**
 * What doing a step uses up and breaks off, as the events to be made when it is left: strokes of the cleaver,
 * consumables, shards of glass. Nothing where this pass was logged already.
 */
export function spentAt({ step }: Line, state: Pick<EndState, "spent">): EndEvent[] {
  if (state.spent.includes(step.id)) return [];
  const stroke = step.kind === "cleave" && !step.uses.some(({ item }) => item === CLEAVE);
  const items = [...(stroke ? [{ item: CLEAVE, count: 1 }] : []), ...step.uses];
  const tool = "tool" in step ? (step.tool ?? null) : null;
  return [
    ...(items.length > 0 ? [{ kind: "use", step: step.id, tool, items } as const] : []),
    ...(step.shards > 0 ? [{ kind: "shards", step: step.id, made: step.shards, binned: 0 } as const] : []),
  ];
}
