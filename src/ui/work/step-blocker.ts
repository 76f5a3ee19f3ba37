import {
  countedEvent,
  type EndEvent,
  type EndState,
  isHandsFree,
  isMidRun,
  type Line,
  type RunSheet,
  runningClocks,
  spentAt,
  type undoneAt,
} from "@/core";
import { heldWords } from "../words/held-words";

/** What holds a step: told at the first press, with the usual way on. */
export interface StepBlocker {
  readonly message: string;
  readonly usual: "read" | "answer" | "wait" | null;
}

interface AtStep {
  readonly sheet: RunSheet;
  readonly line: Line;
  readonly state: EndState;
  readonly undone: ReturnType<typeof undoneAt>;
  /** In a batch another end comes into the hand while this one cures. */
  readonly inBatch: boolean;
  /** By the server's clock, milliseconds. */
  readonly now: number;
}

/** What the step in hand still asks for, or that its time has run out; null where nothing holds it. */
export function blockerOf({ sheet, line, state, undone, inBatch, now }: AtStep): StepBlocker | null {
  const late = runningClocks(sheet, state).find(
    ({ until, startedAt, seconds }) => until === line.index && now > Date.parse(startedAt) + seconds * 1000,
  );
  const timer = state.timers.find(
    ({ step, startedAt, seconds, stoppedAt }) =>
      step === line.step.id &&
      stoppedAt === null &&
      (!isHandsFree(line.step) || !inBatch) &&
      now < Date.parse(startedAt) + seconds * 1000,
  );
  const message = heldWords(undone, late ?? null, timer ? line.step.title : null, isMidRun(sheet));
  const usual = undone && undone.checks.length > 0 ? "read" : undone?.asks ? "answer" : timer ? "wait" : null;
  return message === null ? null : { message, usual };
}

/** What leaving the step logs: what it used up and broke off, and the end of a time that is over. */
export function leavingEvents(line: Line, state: EndState, count: number, now: number): EndEvent[] {
  const over = state.timers.find(
    ({ step, startedAt, seconds, stoppedAt }) =>
      step === line.step.id && !stoppedAt && now >= Date.parse(startedAt) + seconds * 1000,
  );
  return [
    ...countedEvent(line, count),
    ...spentAt(line, state, count > 0 ? count : null),
    ...(over ? [{ kind: "timer", step: over.step, action: "stop", seconds: over.seconds } as const] : []),
  ];
}
