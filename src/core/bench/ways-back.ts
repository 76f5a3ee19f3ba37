import type { WayAct } from "../procedure/remedy";
import type { Retry } from "../procedure/retry";
import { judgementOf, type Step } from "../procedure/step";
import type { BenchState } from "./bench-state";
import { changesOf } from "./changes";
import { brokenAt } from "./contracts";
import type { Course } from "./course";
import { type Violation, violationText } from "./violation";

/** Looks at the glass and at what becomes of it: stale once fresh glass is bared. */
const GLASS = new Set([
  "coating",
  "glass",
  "face",
  "edge",
  "untouched",
  "seat-light",
  "seat-mark",
  "seat-bow",
  "seat-gap",
]);

/**
 * Walks every way back a sheet offers after a bad look: its own acts first, then the steps from where it begins again, to
 * the end. A way must be open, must ask its look again, and every step after it must be one that can be done.
 * @param before the end as it stands before each step of the sheet, and after the last.
 * @param known ids of looks whose ways need not be walked.
 */
export function brokenWays(
  course: Course,
  before: readonly BenchState[],
  ids: ReadonlySet<string>,
): Violation[] {
  const { steps, retries } = course.placement;
  return steps.flatMap((step, at) =>
    ids.has(step.id)
      ? []
      : (judgementOf(step)?.answers ?? [])
          .filter(({ good }) => !good)
          .flatMap(({ sees, retries: tries }) => {
            const tried = new Set<string>();
            return tries.flatMap(({ rule: id, goTo, via = [] }): Violation[] => {
              const rule = retries.find((rule) => rule.id === id);
              const to = steps.findIndex((other) => other.id === goTo);
              if (!rule || to < 0 || tried.has(id)) return [];
              tried.add(id);
              const broken = brokenWay(course, before, { at, to, rule, via });
              return broken
                ? [{ code: broken.code, step: step.id, params: [step.title, sees, broken.why] }]
                : [];
            });
          }),
  );
}

interface Way {
  readonly at: number;
  readonly to: number;
  readonly rule: Retry;
  readonly via: readonly WayAct[];
}

type WayCode = Extract<Violation["code"], `way-${string}`>;

function brokenWay(
  course: Course,
  before: readonly BenchState[],
  { at, to, rule, via }: Way,
): { code: WayCode; why: string } | null {
  const { steps, procedure } = course.placement;
  if (to > at) return { code: "way-misses-look", why: "" };
  const now = before[at + 1];
  const there = before[to];
  if (!now || !there || rule.act === undefined) return null;
  const crosses =
    there !== undefined &&
    (there.crimped !== now?.crimped || there.adhesive !== now?.adhesive || there.welded !== now?.welded);
  const gripped = (now.crimped && now.inserted) || now.adhesive === "cured" || now.welded;
  const opened = via.reduce((state, act) => acted(state, act), now);
  const mayOpen = (procedure.joint?.reopens ?? 0) > 0;
  if (rule.act !== "restart") {
    if (
      gripped &&
      (["strip", "cleave-again", "reseat"].includes(rule.act) || (rule.act === "swap" && crosses))
    )
      return { code: "way-gripped", why: "" };
    if (now.joint === "closed" && now.inserted && ["reseat", "cleave-again", "strip"].includes(rule.act)) {
      if (opened.joint === "closed") return { code: "way-shut", why: "" };
      if (!mayOpen) return { code: "way-gripped", why: "" };
    }
    const fresh = rule.act === "strip" || rule.act === "cleave-again";
    if (fresh && opened.inserted && course.has("cleave")) return { code: "way-still-in", why: "" };
    if (fresh && there.held && !via.some(({ act }) => act === "feed")) return { code: "way-held", why: "" };
    if (fresh && opened.held && !there.held) return { code: "way-held", why: "" };
  }
  // A polish begun again begins with its own film, on the face as it stood before it.
  let state: BenchState = { ...startOf(rule, opened, there), grain: there.grain, gritty: there.gritty };
  for (const step of steps.slice(to)) {
    const broken = brokenAt(step, state, course);
    if (broken) return { code: "way-broken", why: saying(step, broken) };
    state = changesOf(step, state, course);
  }
  return null;
}

const saying = (step: Step, [code, ...names]: NonNullable<ReturnType<typeof brokenAt>>): string =>
  violationText({ code, step: step.id, params: [step.title, ...names] });

function acted(state: BenchState, { act }: WayAct): BenchState {
  switch (act) {
    case "open":
      return state.held && state.joint !== "closed" ? { ...state, held: false } : { ...state, joint: "open" };
    case "press-in":
      return { ...state, joint: "open" };
    case "draw-out":
      return { ...state, inserted: false };
    default:
      return state;
  }
}

/** The end as it stands when a way back begins its first step: what is kept stays as it is, what is made again is gone. */
function startOf(rule: Retry, now: BenchState, there: BenchState): BenchState {
  switch (rule.act) {
    case "restart":
      return {
        ...there,
        threaded: now.threaded,
        seen: new Set([...now.seen, ...there.seen].filter((s) => !GLASS.has(s) || there.seen.has(s))),
      };
    case "strip":
    case "cleave-again":
      return {
        ...now,
        bared: there.bared,
        wiped: there.wiped,
        cleaved: false,
        laid: there.laid,
        placed: there.placed,
        seen: new Set([...now.seen].filter((subject) => !GLASS.has(subject) || there.seen.has(subject))),
        done: there.done,
      };
    case "reseat":
    case "swap":
      return { ...now, inserted: there.inserted, done: there.done };
    default:
      return { ...now, done: there.done };
  }
}
