import { BESIDE, type LayerKind } from "../cable/cable";
import type { ProcedurePart } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import type { BenchState } from "./bench-state";
import type { Course } from "./course";
import type { Broken } from "./violation";

/** Diameter of what a part is threaded over, micrometres. */
const thicknessThrough = (part: ProcedurePart, { placement: { cable, procedure } }: Course): number => {
  const on: LayerKind = part.on ?? procedure.startsAt;
  return cable.layers.find(({ kind }) => kind === on && !BESIDE.includes(kind))?.diameter ?? 0;
};

/** How thick the cable is where its yarn or shield is laid back; nothing passes where that is not known. */
const laidAt = ({ placement: { cable } }: Course): number =>
  cable.layers.find(({ laid }) => laid !== undefined)?.laid ?? Number.POSITIVE_INFINITY;

/** A closed part whose bore is smaller than what it goes over. */
export function tooNarrow(step: Step, state: BenchState, course: Course): Broken | null {
  for (const part of course.goingOn(step)) {
    const on = course.rings.findIndex(({ kind }) => kind === part.on);
    const around = course.rings.slice(0, Math.max(0, on)).find(({ kind }) => !state.bared.get(kind));
    if (around) return ["layer-around", around.name];
    if (part.opens || part.bore === undefined) continue;
    if (part.bore < thicknessThrough(part, course)) return ["bore-small", part.name];
    if (
      state.laid &&
      (part.on ?? course.placement.procedure.startsAt) === course.placement.procedure.startsAt
    )
      return ["over-laid", part.name];
  }
  return null;
}

/**
 * A part that comes to its place has to pass whatever lies in front of it: a closed part threaded after it that still
 * waits there, or yarn laid back over the jacket.
 */
export function blocked(step: Step, state: BenchState, course: Course): Broken | null {
  const carried = course.broughtAt(step.id);
  for (const part of carried) {
    const at = state.threaded.indexOf(part.id);
    if (part.opens) continue;
    if (at < 0) {
      if (course.has("thread")) return ["part-missing", part.name];
      continue;
    }
    const front = state.threaded
      .slice(at + 1)
      .filter((id) => !state.placed.includes(id) && !carried.some((other) => other.id === id))
      .map((id) => course.placement.parts.find((other) => other.id === id))
      .find((other) => other && !other.opens);
    if (front) return ["part-behind", part.name, front.name];
    const lifts = part.grips !== undefined || step.acts?.includes("lay-forward");
    if (
      state.laid &&
      !lifts &&
      !part.on &&
      (part.bore ?? 0) < laidAt(course) &&
      !carried.some(({ grips }) => grips !== undefined)
    )
      return ["behind-laid", part.name];
  }
  return null;
}
