import { isHandsFree, type Step, type StepKind } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";

/** A stretch of work on one end: hands on it for so long, then so long a wait that needs no hands. Seconds. */
export interface Stage {
  /** Index of the first and last line it covers. */
  readonly from: number;
  readonly to: number;
  readonly title: string;
  readonly hands: number;
  readonly wait: number;
  /** From its start, the end of stage `until` must come within `seconds`: pot life, open time. */
  readonly within: { readonly seconds: number; readonly until: number; readonly of: string } | null;
  /** What is mixed or filled here and serves further ends for so long. */
  readonly pot: { readonly seconds: number; readonly of: string } | null;
}

/** Usual hands-on seconds for a step of each kind: the project's own, to plan by (common practice, no source). */
const USUAL: Record<StepKind, number> = {
  thread: 15,
  mark: 10,
  "ring-cut": 15,
  trim: 12,
  cleave: 20,
  remove: 20,
  measure: 30,
  verify: 8,
  inspect: 15,
  "bend-test": 8,
  test: 40,
  fold: 8,
  clean: 12,
  load: 10,
  insert: 15,
  actuate: 5,
  crimp: 8,
  inject: 12,
  dip: 5,
  cure: 4,
  scribe: 10,
  polish: 35,
  heat: 8,
  fuse: 15,
  cool: 3,
  seal: 20,
  torque: 20,
  dress: 20,
  cap: 10,
  dispose: 10,
};

/** Hands-on seconds of a step on one end: as stated, else the usual for its kind, plus any hold by hand. */
export function handsOn(step: Step): number {
  const held = step.seconds && !isHandsFree(step) ? step.seconds.min : 0;
  return (step.takes ?? USUAL[step.kind]) + held;
}

/**
 * A run sheet as stages for one end: each stops at a wait that needs no hands, or where something begins or ends
 * that has to be done in time.
 * @example stagesOf(sheet).length // 3
 */
export function stagesOf({ lines }: Pick<RunSheet, "lines">): Stage[] {
  const untils = new Set(lines.flatMap(({ step }) => (step.within ? [step.within.until] : [])));
  const stages: Stage[] = [];
  let start = 0;
  lines.forEach(({ step, index }) => {
    const wait = isHandsFree(step) ? (step.seconds?.min ?? 0) : 0;
    const next = lines[index + 1]?.step;
    const closes = wait > 0 || untils.has(step.id) || next?.within !== undefined || !next;
    if (!closes) return;
    const covered = lines.slice(start, index + 1);
    const within = covered[0]?.step.within;
    const pot = covered.find((line) => line.step.pot)?.step.pot ?? null;
    stages.push({
      from: start,
      to: index,
      title: covered.length === 1 ? step.title : `${covered[0]?.step.title} … ${step.title}`,
      hands: covered.reduce((sum, line) => sum + handsOn(line.step), 0),
      wait,
      pot,
      within: within
        ? {
            seconds: within.seconds,
            until: lines.findIndex((line) => line.step.id === within.until),
            of: within.of,
          }
        : null,
    });
    start = index + 1;
  });
  return stages.map((stage) => {
    if (!stage.within) return stage;
    const { until, ...rest } = stage.within;
    return { ...stage, within: { ...rest, until: stages.findIndex(({ to }) => to >= until) } };
  });
}
