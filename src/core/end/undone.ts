import { isHandsFree, judgementOf, lacksLight, readsLight } from "../procedure/step";
import type { Check, Line, RunSheet } from "../runsheet/document";
import { t } from "../words/core";
import type { EndState, RunTimer } from "./end-state";
import { lightStandings } from "./light";

/** What a step asks for and has not got: lengths not read, a look not answered, or answered by what is not good. */
export interface Undone {
  readonly index: number;
  readonly title: string;
  readonly checks: readonly Check[];
  /** What is asked and was not answered; null where nothing is. */
  readonly asks: string | null;
  /** What was seen and is not good, and still stands; null where there is nothing of the kind. */
  readonly bad: string | null;
  /** A hold or cure that was begun and not seen to its end before the work went on. */
  readonly cutShort: boolean;
}

type Seen = Pick<EndState, "readings" | "answers" | "timers" | "leftAt" | "light">;

/** What needs no hands goes on by itself: it was cut short only if the next step was done before it was over. */
function isCutShort({ index, step }: Line, { timers, leftAt }: Pick<Seen, "timers" | "leftAt">): boolean {
  const timer = timers.find((timer) => timer.step === step.id);
  if (!timer) return false;
  const left = leftAt[isHandsFree(step) ? index + 1 : index];
  const until = Math.min(
    ...[timer.stoppedAt, left && left > timer.startedAt ? left : null].flatMap((moment) =>
      moment ? [Date.parse(moment)] : [],
    ),
  );
  return Number.isFinite(until) && until < endOf(timer) - SOON_ENOUGH_MS;
}

const endOf = ({ startedAt, seconds }: RunTimer): number => Date.parse(startedAt) + seconds * 1000;

/** A clock read over a network may be behind by this much. */
const SOON_ENOUGH_MS = 1_000;

/**
 * What one step still asks for, or null when it has all of it.
 * @example undoneAt(sheet.lines[0], fresh) // null
 */
export function undoneAt(line: Line, state: Seen): Undone | null {
  const { index, step, checks } = line;
  const { readings, answers } = state;
  const unread = checks.filter(({ id }) => !readings.some((reading) => reading.check === id));
  const judgement = judgementOf(step);
  const given = judgement && answers[judgement.id];
  const asks = unanswered(line, state);
  const seen = judgement?.answers.find(({ id, good }) => id === given && !good)?.sees ?? null;
  const bad = seen ?? (readsLight(step) ? badLight(state) : null);
  const cutShort = isCutShort(line, state);
  return unread.length > 0 || asks !== null || bad !== null || cutShort
    ? { index, title: step.title, checks: unread, asks, bad, cutShort }
    : null;
}

/** The wavelength at which the light read is out; null where it is out at none. */
function badLight(state: Pick<Seen, "light">): string | null {
  const out = lightStandings(state, { kind: "simple" }).find(({ verdict }) => verdict === "out");
  return out
    ? t("light-is-out-at", { wavelength: out.wavelength, loss: Math.round(out.loss * 100) / 100 })
    : null;
}

/** The question of a step without an answer: its look, or light to be read through the end. */
function unanswered({ step }: Line, { answers, light }: Pick<Seen, "answers" | "light">): string | null {
  const judgement = judgementOf(step);
  const answer = judgement && answers[judgement.id];
  if (judgement && answer === undefined) return judgement.asks;
  return lacksLight(step, answer, light.length) ? t("read-light-through-it") : null;
}

/**
 * Steps before a line that were passed without what they ask for, in the order of work.
 * @example skippedSteps(sheet, bare).length // 9
 */
export const skippedSteps = (
  { lines }: RunSheet,
  state: Seen & Pick<EndState, "reached" | "at" | "inHand">,
  before = state.reached,
): Undone[] =>
  lines
    .slice(0, before)
    .filter(({ index }) => isPassed(state, index))
    .flatMap((line) => undoneAt(line, state) ?? []);

/** Whether a line lies behind: what a rework or a way back comes to again is still to come. */
function isPassed(
  { at, inHand, leftAt }: Pick<EndState, "at" | "inHand" | "leftAt">,
  index: number,
): boolean {
  if (inHand) return inHand.steps.includes(index) ? index < at : index < inHand.back;
  return index < at || leftAt[index] !== undefined;
}
