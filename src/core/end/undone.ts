import { judgementOf } from "../procedure/step";
import type { Check, Line, RunSheet } from "../runsheet/runsheet";
import type { EndState } from "./state";

/** What a step asks for and has not got: lengths not read, a look not answered, or answered by what is not good. */
export interface Undone {
  readonly index: number;
  readonly title: string;
  readonly checks: readonly Check[];
  /** What is asked and was not answered; null where nothing is. */
  readonly asks: string | null;
  /** What was seen and is not good, and still stands; null where there is nothing of the kind. */
  readonly bad: string | null;
}

/** What one step still asks for, or null when it has all of it. */
export function undoneAt(
  { index, step, checks }: Line,
  { readings, answers }: Pick<EndState, "readings" | "answers">,
): Undone | null {
  const unread = checks.filter(({ id }) => !readings.some((reading) => reading.check === id));
  const judgement = judgementOf(step);
  const given = judgement && answers[judgement.id];
  const asks = judgement && given === undefined ? judgement.asks : null;
  const bad = judgement?.answers.find(({ id, good }) => id === given && !good)?.sees ?? null;
  return unread.length > 0 || asks !== null || bad !== null
    ? { index, title: step.title, checks: unread, asks, bad }
    : null;
}

/** Steps before a line that were passed without what they ask for, in the order of work. */
export const skippedSteps = (
  { lines }: RunSheet,
  state: Pick<EndState, "readings" | "answers" | "reached">,
  before = state.reached,
): Undone[] => lines.slice(0, before).flatMap((line) => undoneAt(line, state) ?? []);
