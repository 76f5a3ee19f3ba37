import { isHandsFree } from "../procedure/step";
import type { Line, RunSheet } from "../runsheet/document";
import { type Clock, runningClocks } from "./clocks";
import type { EndState, RunTimer } from "./end-state";
import type { Undone } from "./undone";

/** What holds a step: what it still asks for, a time that runs yet, and a time that has run out. */
export interface StepBlocker {
  readonly undone: Undone | null;
  /** Whether the step's own hold or cure still runs. */
  readonly running: boolean;
  readonly late: Clock | null;
  /** The usual way on; null where it is the person's own decision. */
  readonly usual: "read" | "answer" | "wait" | null;
}

interface AtStep {
  readonly sheet: RunSheet;
  readonly line: Line;
  readonly state: EndState;
  /** What the step still asks for. */
  readonly undone: Undone | null;
  /** In a batch another end comes into the hand while this one cures. */
  readonly inBatch: boolean;
  /** By the server's clock, milliseconds. */
  readonly now: number;
}

/** When a timer is over, milliseconds since the epoch. */
export const timerEnd = ({ startedAt, seconds }: Pick<RunTimer, "startedAt" | "seconds">): number =>
  Date.parse(startedAt) + seconds * 1000;

/**
 * What holds the step in hand; null where nothing does.
 * @example stepBlocker({ sheet, line: sheet.lines[0], state: fresh, undone: null, inBatch: false, now: 0 }) // null
 */
export function stepBlocker({ sheet, line, state, undone, inBatch, now }: AtStep): StepBlocker | null {
  const late =
    runningClocks(sheet, state).find((clock) => clock.until === line.index && now > timerEnd(clock)) ?? null;
  const running = state.timers.some(
    (timer) =>
      timer.step === line.step.id &&
      timer.stoppedAt === null &&
      (!isHandsFree(line.step) || !inBatch) &&
      now < timerEnd(timer),
  );
  if (!undone && !running && !late) return null;
  const usual =
    undone && undone.checks.length > 0 ? "read" : undone?.asks ? "answer" : running ? "wait" : null;
  return { undone, running, late, usual };
}
