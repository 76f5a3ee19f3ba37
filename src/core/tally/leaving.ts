import { timerEnd } from "../end/blocker";
import type { EndState } from "../end/end-state";
import type { EndEvent } from "../event/event";
import type { Line } from "../runsheet/document";
import { countedEvent } from "./counter";
import { spentAt } from "./spent";

/**
 * What leaving the step logs: what it used up and broke off, and the end of a time that is over.
 * @param count what was counted at the step.
 * @param now by the server's clock, milliseconds.
 * @example leavingEvents(sheet.lines[0], fresh, 0, 0) // []
 */
export function leavingEvents(line: Line, state: EndState, count: number, now: number): EndEvent[] {
  const over = state.timers.find(
    (timer) => timer.step === line.step.id && !timer.stoppedAt && now >= timerEnd(timer),
  );
  return [
    ...countedEvent(line, count),
    ...spentAt(line, state, count > 0 ? count : null),
    ...(over ? [{ kind: "timer", step: over.step, action: "stop", seconds: over.seconds } as const] : []),
  ];
}
