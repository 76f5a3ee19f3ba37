import type { Step } from "../procedure/step";
import { AS_SUPPLIED, type BenchState } from "./bench-state";
import { changesOf } from "./changes";
import { brokenAt, brokenEnd } from "./contracts";
import { type Course, courseOf, type LaidOut } from "./course";
import { wrongRemedies } from "./remedies";
import type { Violation } from "./violation";
import { brokenWays } from "./ways-back";

/**
 * Walks a sheet step by step through a model of the real end and tells every step that cannot be done when it comes, or
 * that spoils the end, and every remedy that moves its length the wrong way. The model is coarse on purpose: what a step
 * does follows from its kind, its figures, its parts and what it says of itself.
 * @returns violations in the order of the steps, at most one a step; none for a sheet that can be followed.
 * @example walk(placement) // []
 */
export function walk(placement: LaidOut): Violation[] {
  const course = courseOf(placement);
  const { violations } = forward(course);
  return [...violations, ...uncounted(placement.steps), ...wrongRemedies(placement)];
}

/**
 * The same with every way back: from each bad look by each rule that holds, to the end. Where the sheet itself cannot be
 * followed its ways back are not asked for.
 * @param known ids of looks whose ways were walked already.
 * @example walkWithWays(placement) // []
 */
export function walkWithWays(placement: LaidOut, ids: ReadonlySet<string> = NONE): Violation[] {
  const course = courseOf(placement);
  const { violations, before } = forward(course);
  const ways = violations.length > 0 ? [] : brokenWays(course, before, ids);
  return [...violations, ...uncounted(placement.steps), ...wrongRemedies(placement), ...ways];
}

const NONE: ReadonlySet<string> = new Set();

/** The sheet from its first step to its last, and the end as it stands before each and after the last. */
function forward(course: Course): { violations: Violation[]; before: BenchState[] } {
  const { steps, procedure } = course.placement;
  const violations: Violation[] = [];
  let state: BenchState = { ...AS_SUPPLIED, joint: procedure.joint?.supplied ?? "none" };
  const before = [state];
  for (const step of steps) {
    const broken = brokenAt(step, state, course);
    if (broken) {
      const [code, ...names] = broken;
      violations.push({ code, step: step.id, params: [step.title, ...names] });
    }
    state = changesOf(step, state, course);
    before.push(state);
  }
  const last = steps.at(-1);
  const left = brokenEnd(state, course);
  if (last && left) violations.push({ code: left[0], step: last.id, params: [last.title] });
  const opened = procedure.opensOnto !== undefined && (state.bared.get("tube") ?? 0) > 0;
  if (last && opened && !state.seen.has("whole"))
    violations.push({ code: "fibres-not-looked", step: last.id, params: [last.title] });
  return { violations, before };
}

/** Glass comes off here, or lies bare from here on and can break. */
const leavesGlass = (step: Step): boolean =>
  step.shards > 0 ||
  step.kind === "cleave" ||
  step.kind === "scribe" ||
  (step.kind === "remove" && step.layers.includes("coating"));

/** Steps that leave glass after the last counting. */
function uncounted(steps: readonly Step[]): Violation[] {
  const counted = steps.findLastIndex(({ kind }) => kind === "dispose");
  return steps
    .slice(counted + 1)
    .flatMap((step): Violation[] =>
      leavesGlass(step) ? [{ code: "uncounted", step: step.id, params: [step.title] }] : [],
    );
}
