import type { StepAct, Subject } from "../procedure/physical";
import { judgementOf, type Step } from "../procedure/step";
import { type BenchState, isFaceOpen } from "./bench-state";
import { type Course, isThreading, takenOff } from "./course";

const without = (seen: ReadonlySet<Subject>, ...stale: readonly Subject[]): ReadonlySet<Subject> =>
  stale.some((subject) => seen.has(subject))
    ? new Set([...seen].filter((subject) => !stale.includes(subject)))
    : seen;

const SEAT: readonly Subject[] = ["seat-light", "seat-mark", "seat-bow", "seat-gap", "untouched"];
const CLOSED: readonly Subject[] = ["closed-light", "closed-lamp", "closed-bow", "crimp", "loss"];

/** An end once a step is done. */
export function changesOf(step: Step, state: BenchState, course: Course): BenchState {
  const built = { ...state, ...byKind(step, state, course) };
  const acted = (step.acts ?? []).reduce(byAct, built);
  const carried = course.broughtAt(step.id);
  return {
    ...acted,
    ...(carried.length > 0 && {
      placed: [...acted.placed, ...carried.map(({ id }) => id)],
      seen: without(
        acted.seen,
        "loss",
        ...(carried.some(({ shape }) => shape === "clip") ? ["order" as const] : []),
      ),
      laid: acted.laid && !carried.some(({ grips }) => grips !== undefined),
    }),
    ...(step.of && { seen: new Set([...acted.seen, step.of]) }),
    done: [...state.done, step.id],
  };
}

function byAct(state: BenchState, act: StepAct): BenchState {
  switch (act) {
    case "open":
      return { ...state, joint: "open", seen: without(state.seen, "joint-open", ...CLOSED) };
    case "close":
      return closed(state);
    case "hold":
      return { ...state, held: true };
    case "release":
      return { ...state, held: false };
    case "lay-back":
      return { ...state, laid: true };
    case "lay-forward":
      return { ...state, laid: false };
    case "fix":
      return { ...state, fixed: true, seen: without(state.seen, "grip") };
    case "bond":
      return { ...state, bonded: true };
    case "open-tube":
      return { ...state, seen: without(state.seen, "whole") };
    case "store":
      return { ...state, stored: true };
    case "cut-fibre":
      return { ...state, seen: without(state.seen, "named") };
    case "store-loop":
      return { ...state, looped: true, seen: without(state.seen, "loop") };
  }
}

const closed = (state: BenchState): BenchState => ({
  ...state,
  joint: "closed",
  seen: without(state.seen, ...CLOSED),
});

function byKind(step: Step, state: BenchState, course: Course): Partial<BenchState> {
  switch (step.kind) {
    case "thread":
      return {
        threaded: [
          ...state.threaded,
          ...course
            .goingOn(step)
            .map(({ id }) => id)
            .filter((id) => !state.threaded.includes(id)),
        ],
      };
    case "remove":
    case "trim":
      return removed(step, state, course);
    case "fold":
      return { laid: true };
    case "clean":
      return { gritty: false, ...(!isFaceOpen(state) && { wiped: true }) };
    case "cleave":
      return { cleaved: true, seen: without(state.seen, "face", "edge") };
    case "insert":
      return {
        inserted: true,
        seen: without(
          state.seen,
          ...SEAT,
          "tip",
          ...(isThreading(course) ? (["order", "whole"] as const) : []),
        ),
      };
    case "actuate":
      return state.inserted && state.joint !== "closed" && course.has("cleave") ? closed(state) : {};
    case "crimp":
      // What is crimped over a part leaves the crimp on the fibre as it was.
      return {
        crimped: true,
        seen: without(
          state.seen,
          "loss",
          ...(course.broughtAt(step.id).length > 0 ? [] : ["crimp" as const]),
        ),
      };
    case "torque":
      return { seen: without(state.seen, "loss") };
    case "fuse":
      return { welded: true, seen: without(state.seen, "weld", "pulled") };
    case "heat":
      return { shrunk: true, hot: true, seen: without(state.seen, "sleeve", "loss") };
    case "cool":
      return { hot: false };
    case "inject":
      return { filled: true, ...(state.adhesive === "none" && { adhesive: "wet" }) };
    case "dip":
      return { dipped: true, ...(state.adhesive === "none" && { adhesive: "wet" }) };
    case "cure":
      return { adhesive: "cured" };
    case "scribe":
      return { scribed: true };
    case "polish":
      return {
        gritty: true,
        grain: step.setting?.kind === "film" ? step.setting.grain : state.grain,
        seen: without(state.seen, "end-face", "loss"),
      };
    case "inspect":
      // A look at what is polished, in a sheet that does not say what its looks are about.
      return step.of === undefined && judgementOf(step) ? { seen: new Set([...state.seen, "end-face"]) } : {};
    default:
      return {};
  }
}

/** The end after layers are taken off or it is trimmed: what is bare now, and which looks no longer count. */
function removed(
  step: Parameters<typeof takenOff>[0],
  state: BenchState,
  course: Course,
): Partial<BenchState> {
  const { layers, to } = takenOff(step, course);
  const bared = new Map(state.bared);
  for (const layer of layers) bared.set(layer, Math.max(course.at(to), bared.get(layer) ?? 0));
  const glass = layers.some((layer) => layer === "coating" || layer === "buffer");
  const stale: readonly Subject[] = [
    "bared",
    ...(layers.includes("tube") ? (["whole"] as const) : []),
    ...(glass ? (["coating", "glass"] as const) : []),
  ];
  return { bared, ...(glass && { wiped: false }), seen: without(state.seen, ...stale) };
}
