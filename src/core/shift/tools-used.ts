import type { Recorded } from "../event/recorded";
import type { Step } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";
import type { CheckKind } from "./questions";
import type { ToolToCheck } from "./tool-check";

/** Sheet of an end, and its events. */
interface Work {
  readonly sheet: Pick<RunSheet, "lines">;
  readonly events: readonly Pick<Recorded, "event">[];
}

/** Subjects that are judged by the light of a visible source. */
const BY_LIGHT: readonly string[] = ["light-on", "seat-light", "closed-light"];

const hasStep = ({ sheet }: Work, holds: (step: Step) => boolean): boolean =>
  sheet.lines.some(({ step }) => holds(step));

const hasEvent = ({ events }: Work, holds: (event: Recorded["event"]) => boolean): boolean =>
  events.some(({ event }) => holds(event));

/** True for a step that is done with a tool. */
const isBy = (step: Step, tool: string): boolean => "tool" in step && step.tool === tool;

const USED: Readonly<Record<CheckKind, (work: Work, tool: string) => boolean>> = {
  "light-source": (work) =>
    hasStep(work, (step) => {
      return step.of !== undefined && BY_LIGHT.includes(step.of);
    }),
  die: (work) => hasStep(work, ({ kind }) => kind === "crimp"),
  arc: (work) => hasStep(work, ({ kind }) => kind === "fuse"),
  torque: (work) => hasStep(work, ({ kind }) => kind === "torque"),
  meter: (work) => hasEvent(work, ({ kind }) => kind === "light"),
  length: (work, tool) => hasEvent(work, (event) => event.kind === "reading" && event.instrument.id === tool),
  cleaver: (work, tool) => hasStep(work, (step) => isBy(step, tool)),
  stripper: (work, tool) => hasStep(work, (step) => isBy(step, tool)),
};

/**
 * The tools of a list that an end is made with: by its steps, and by what was read of it.
 * @example toolsUsed([{ id: "arc", name: "Fusion splicer", kind: "arc" }], { sheet, events: [] }) // []
 */
export const toolsUsed = <T extends Pick<ToolToCheck, "id" | "kind">>(
  tools: readonly T[],
  work: Work,
): readonly T[] => tools.filter(({ id, kind }) => USED[kind](work, id));
