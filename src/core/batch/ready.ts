import type { EndState } from "../end/end-state";
import type { EndEvent } from "../event/event";
import type { Line } from "../runsheet/document";
import { spentAt } from "../tally/spent";

/**
 * When an end can be gone on with: its last hold or cure over. Milliseconds since the epoch; 0 where none runs.
 * @example readyAt(fresh) // 0
 */
export const readyAt = ({ timers }: Pick<EndState, "timers">): number =>
  Math.max(
    0,
    ...timers
      .filter(({ stoppedAt }) => !stoppedAt)
      .map(({ startedAt, seconds }) => Date.parse(startedAt) + seconds * 1000),
  );

/**
 * What doing a plain step on an end adds: every part of a gate on, what it uses, and going on.
 * @example doneAt(sheet.lines[0], fresh).at(-1) // { kind: "step", to: 1 }
 */
export const doneAt = (line: Line, state: EndState): EndEvent[] => [
  ...line.parts
    .filter(({ id }) => !state.threaded.includes(id))
    .map(({ id }): EndEvent => ({ kind: "thread", part: id, on: true })),
  ...spentAt(line, state),
  { kind: "step", to: line.index + 1 },
];
