import type { Step } from "../procedure/step";
import { AS_SUPPLIED, type BenchState, isFaceOpen } from "./bench-state";
import { brokenAt } from "./contracts";
import { type Course, courseOf, type LaidOut, takenOff } from "./course";
import type { Violation } from "./violation";

/**
 * Walks a sheet step by step through a model of the real end and tells every step that cannot be done when it comes, or
 * that spoils the end. The model is coarse on purpose: what a step does follows from its kind and its figures alone.
 * @returns violations in the order of the steps, at most one a step; none for a sheet that can be followed.
 */
export function walk(placement: LaidOut): Violation[] {
  const course = courseOf(placement);
  const violations: Violation[] = [];
  let state = AS_SUPPLIED;
  for (const step of placement.steps) {
    const broken = brokenAt(step, state, course);
    if (broken) {
      const [code, ...names] = broken;
      violations.push({ code, step: step.id, params: [step.title, ...names] });
    }
    state = after(step, state, course);
  }
  return [...violations, ...uncounted(placement.steps)];
}

/** An end once a step is done. */
function after(step: Step, state: BenchState, course: Course): BenchState {
  return { ...state, ...changed(step, state, course), done: [...state.done, step.id] };
}

function changed(step: Step, state: BenchState, course: Course): Partial<BenchState> {
  switch (step.kind) {
    case "remove":
    case "trim": {
      const { layers, to } = takenOff(step, course);
      const bared = new Map(state.bared);
      for (const layer of layers) bared.set(layer, Math.max(course.at(to), bared.get(layer) ?? 0));
      const glass = layers.some((layer) => layer === "coating" || layer === "buffer");
      return { bared, ...(glass && { wiped: false }) };
    }
    case "clean":
      return isFaceOpen(state) ? {} : { wiped: true };
    case "cleave":
      return { cleaved: true };
    case "insert":
      return { inserted: true };
    case "fuse":
      return { welded: true };
    case "inject":
    case "dip":
      return state.adhesive === "none" ? { adhesive: "wet" } : {};
    case "cure":
      return { adhesive: "cured" };
    case "scribe":
      return { scribed: true };
    case "polish":
      return { faceLooked: false };
    case "inspect":
      return { faceLooked: true };
    default:
      return {};
  }
}

/** Steps that leave glass after the last counting. */
function uncounted(steps: readonly Step[]): Violation[] {
  const counted = steps.findLastIndex(({ kind }) => kind === "dispose");
  return steps
    .slice(counted + 1)
    .flatMap(({ id, title, shards }): Violation[] =>
      counted >= 0 && shards > 0 ? [{ code: "uncounted", step: id, params: [title] }] : [],
    );
}
