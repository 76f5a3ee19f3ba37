import type { EndState } from "../end/end-state";
import type { EndEvent } from "../event/event";
import type { Line } from "../runsheet/document";
import { counterOf } from "./counter";

/** The item under which a stroke of a cleaver is counted. */
const CLEAVE = "cleave";

/**
 * What doing a step uses up and breaks off, as the events to be made when it is left: strokes of the cleaver,
 * consumables, shards of glass. Nothing where this pass was logged already. What a step has counted is used as often as it
 * was counted: passed by uncounted, none of its consumables is claimed.
 * @param count what was counted at the step; null where nothing was.
 * @example spentAt(sheet.lines[0], fresh) // []
 */
export function spentAt(line: Line, state: Pick<EndState, "spent">, count: number | null = null): EndEvent[] {
  const { step } = line;
  if (state.spent.includes(step.id)) return [];
  const stroke = step.kind === "cleave" && !step.uses.some(({ item }) => item === CLEAVE);
  const items = [
    ...(stroke ? [{ item: CLEAVE, count: 1 }] : []),
    ...(counterOf(line) === null || count !== null ? step.uses : []),
  ];
  const tool = "tool" in step ? (step.tool ?? null) : null;
  return [
    ...(items.length > 0 ? [{ kind: "use", step: step.id, tool, items } as const] : []),
    ...(step.shards > 0 ? [{ kind: "shards", step: step.id, made: step.shards, binned: 0 } as const] : []),
  ];
}
