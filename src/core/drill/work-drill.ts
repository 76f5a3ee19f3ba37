import { AS_SUPPLIED, type BenchState } from "../bench/bench-state";
import { changesOf } from "../bench/changes";
import { brokenAt } from "../bench/contracts";
import { type Course, courseOf, type LaidOut } from "../bench/course";
import type { Violation } from "../bench/violation";
import { type JudgementAnswer, judgementOf, type Step } from "../procedure/step";

/** A whole end that is practised: its sheet on a simulated end, and how far it is. */
export interface WorkInProgress {
  readonly course: Course;
  readonly state: BenchState;
  /** Ids of the steps done, in the order they were. */
  readonly done: readonly string[];
}

const start = ({ placement: { procedure } }: Course): BenchState => ({
  ...AS_SUPPLIED,
  joint: procedure.joint?.supplied ?? "none",
});

/**
 * Begins a sheet on an end as it is supplied.
 * @example beginWork(placement).done // []
 */
export function beginWork(placement: LaidOut): WorkInProgress {
  const course = courseOf(placement);
  return { course, state: start(course), done: [] };
}

/**
 * Steps that are left, in the order of the sheet.
 * @example stepsLeft(beginWork(placement))[0]?.kind // "thread"
 */
export const stepsLeft = ({ course, done }: WorkInProgress): readonly Step[] =>
  course.placement.steps.filter(({ id }) => !done.includes(id));

/** A step taken at its turn, or the reason it cannot be. */
type Taken = { readonly work: WorkInProgress } | { readonly violation: Violation };

/**
 * Takes a step next. It can be taken if the end as it stands allows it, and if everything that is left can still be done after
 * it, by the model of the bench: a boot can wait until the jacket is off, and then it is too late.
 * @example "work" in takeStep(beginWork(placement), stepsLeft(beginWork(placement))[0].id) // true
 */
export function takeStep(work: WorkInProgress, id: string): Taken {
  const { course, state, done } = work;
  const left = stepsLeft(work);
  const step = left.find((each) => each.id === id);
  if (!step) return { work };
  const own = violationAt(step, state, course);
  if (own) return { violation: own };
  const after = changesOf(step, state, course);
  let later = after;
  for (const other of left.filter((each) => each !== step)) {
    const broken = violationAt(other, later, course);
    if (broken) return { violation: broken };
    later = changesOf(other, later, course);
  }
  return { work: { course, state: after, done: [...done, id] } };
}

function violationAt(step: Step, state: BenchState, course: Course): Violation | null {
  const broken = brokenAt(step, state, course);
  if (!broken) return null;
  const [code, ...names] = broken;
  return { code, step: step.id, params: [step.title, ...names] };
}

/** Steps further on that are offered beside the next one, and how far ahead they may lie. */
const [BESIDE, AHEAD] = [3, 9];

/**
 * The steps offered for the next one: it, and some that come later, in an order that tells nothing.
 * @param draw numbers from 0 to 1.
 * @example offeredSteps(beginWork(placement), () => 0.5).length // 4
 */
export function offeredSteps(work: WorkInProgress, draw: () => number): readonly Step[] {
  const [next, ...later] = stepsLeft(work);
  if (!next) return [];
  const others = shuffled(later.slice(0, AHEAD), draw).slice(0, BESIDE);
  return shuffled([next, ...others], draw);
}

/** The same items in an order drawn at random (Fisher–Yates). */
function shuffled<T>(items: readonly T[], draw: () => number): T[] {
  const keyed = items.map((item) => ({ item, key: draw() }));
  return keyed.sort((a, b) => a.key - b.key).map(({ item }) => item);
}

/** Something that goes wrong at a look: what is seen, and the steps that may be gone back to. */
export interface BadLook {
  readonly step: Step;
  readonly answer: JudgementAnswer;
  /** Ids of steps it is right to go back to, the least first. */
  readonly back: readonly string[];
}

/** The chance that a look is bad, and the most mishaps of one end. */
const [CHANCE, MOST_MISHAPS] = [0.3, 2];

/**
 * A bad look at a step that was just done, or null. Only looks with a way back on the sheet go bad.
 * @param draw numbers from 0 to 1.
 * @param before mishaps there were already.
 * @example badLookAt(beginWork(placement), "none", () => 0, 0) // null
 */
export function badLookAt(
  { course, done }: WorkInProgress,
  id: string,
  draw: () => number,
  before: number,
): BadLook | null {
  const { steps, retries } = course.placement;
  const step = steps.find((each) => each.id === id);
  const judgement = step && judgementOf(step);
  if (!step || !judgement || before >= MOST_MISHAPS || draw() >= CHANCE) return null;
  const bad = judgement.answers.flatMap((answer) => {
    const back = answer.retries
      .filter(({ rule }) => retries.some((each) => each.id === rule))
      .flatMap(({ goTo }) => (done.includes(goTo) ? [goTo] : []));
    return !answer.good && back.length > 0 ? [{ step, answer, back }] : [];
  });
  return bad[Math.floor(draw() * bad.length)] ?? null;
}

/** The ways offered after a mishap: ids of steps to go back to, `null` for going on as if nothing was. */
type WayOffered = string | null;

/**
 * Ways offered after a mishap: the right one, one further step that was done, and going on.
 * @param draw numbers from 0 to 1.
 * @returns ids of steps, null for going on.
 * @example waysAfter(beginWork(placement), { step: placement.steps[0], answer: judgement.answers[0], back: ["thread"] }, () => 0.5).length
 * // 2
 */
export function waysAfter(
  { done }: WorkInProgress,
  { step, back }: BadLook,
  draw: () => number,
): readonly WayOffered[] {
  const others = shuffled(
    done.filter((id) => id !== step.id && !back.includes(id)),
    draw,
  ).slice(0, 1);
  return shuffled<WayOffered>([...back.slice(0, 1), ...others, null], draw);
}

/**
 * Goes back to a step after a mishap: what was done before it stands, it and all that followed is to be done again.
 * @example goBackTo(beginWork(placement), "mark-jacket").done // ["thread", "mark-clamp"]
 */
export function goBackTo({ course }: WorkInProgress, id: string): WorkInProgress {
  const { steps } = course.placement;
  const before = steps.slice(
    0,
    steps.findIndex((step) => step.id === id),
  );
  const state = before.reduce((reached, step) => changesOf(step, reached, course), start(course));
  return { course, state, done: before.map((step) => step.id) };
}
