import type { ToolStood } from "../record/tool-checks";
import type { CheckKind } from "../shift/questions";
import type { ToolToCheck } from "../shift/tool-check";
import type { Splice } from "../splice/splice-plan";
import type { Splicing } from "../splice/splicing";
import type { ClosureEvent, ClosureRecorded } from "./closure-event";

type ListedTool = Pick<ToolToCheck, "id" | "kind">;

const ofKind = <T extends ListedTool>(tools: readonly T[], kind: CheckKind): readonly T[] =>
  tools.filter((tool) => tool.kind === kind);

/**
 * The tools of a list that an event of a closure was done with: for a splice those its procedure names, for a power the
 * meter, for a torque the driver. A splice of no named procedure counts as fused. Simulated readings have no tool.
 * @param splicing the procedures splices are made by.
 * @example closureToolsUsed([{ id: "arc", kind: "arc" }], { kind: "done", item: "permission" }, []) // []
 */
export function closureToolsUsed<T extends ListedTool>(
  tools: readonly T[],
  event: ClosureEvent,
  splicing: readonly Splicing[],
): readonly T[] {
  if (event.kind === "power") return event.simulated ? [] : ofKind(tools, "meter");
  if (event.kind === "torque") return ofKind(tools, "torque");
  if (event.kind !== "splice" || event.splicer?.simulated) return [];
  const procedure = splicing.find(({ id }) => id === event.procedure?.id);
  if (!procedure) return ofKind(tools, "arc");
  return tools.filter(({ id }) => procedure.steps.some(({ tool }) => tool === id));
}

/** A tool whose check failed, with the work of a closure done with it since its last good one, or before its next. */
export interface FailedClosureTool {
  /** With its mark, where a crew has several. */
  readonly name: string;
  /** Time of the check that failed. */
  readonly at: string;
  /** Numbers of the splices, from 1. */
  readonly splices: readonly number[];
}

/**
 * The tools of a closure whose check failed, each with the splices made with it.
 * @param checksOf standing of an event by the checks of the tools it was done with.
 * @example failedClosureTools(closureAt.plan.splices, [], () => []) // []
 */
export function failedClosureTools(
  splices: readonly Pick<Splice, "id">[],
  events: readonly ClosureRecorded[],
  checksOf: (recorded: ClosureRecorded) => readonly ToolStood[],
): FailedClosureTool[] {
  const failed = new Map<string, { at: string; splices: Set<string> }>();
  for (const recorded of events)
    for (const { tool, failed: check } of checksOf(recorded)) {
      if (check === null) continue;
      const entry = failed.get(tool.name) ?? { at: check.at, splices: new Set() };
      if (recorded.event.kind === "splice") entry.splices.add(recorded.event.splice);
      failed.set(tool.name, { ...entry, at: check.at });
    }
  return [...failed].map(([name, { at, splices: ids }]) => ({
    ...{ name, at },
    splices: splices.flatMap((splice, i) => (ids.has(splice.id) ? [i + 1] : [])),
  }));
}
