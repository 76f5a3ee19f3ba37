import type { EndEvent } from "../event/event";
import type { Line, RunSheet } from "../runsheet/document";

/** What is counted at a step: bites as they are worked out, else what the sheet asks for. */
interface CounterAsked {
  readonly of: string;
  readonly min: number;
  readonly max: number;
}

/**
 * The counter a step asks for; null where it is done once, or counts nothing.
 * @example counterOf(sheet.lines[0]) // null
 */
export function counterOf({ bites, step }: Pick<Line, "bites" | "step">): CounterAsked | null {
  const times = bites
    ? { of: bites.count === 1 ? "bite" : "bites", min: bites.count, max: bites.countMost }
    : step.count;
  return times && times.max > 1 ? { of: times.of, min: times.min, max: times.max } : null;
}

/**
 * The event that says what was counted at a step; none where nothing was.
 * @example countedEvent(sheet.lines[0], 1) // []
 */
export const countedEvent = (line: Line, count: number): Extract<EndEvent, { kind: "counted" }>[] => {
  const counter = counterOf(line);
  return counter && count > 0 ? [{ kind: "counted", step: line.step.id, of: counter.of, count }] : [];
};

/** One count a sheet asks for, and what was counted: null where it was passed by. */
export interface Count extends CounterAsked {
  readonly step: string;
  readonly title: string;
  readonly count: number | null;
}

/**
 * Every count that was asked for at a step already left, in the order of work.
 * @example countsOf(sheet, { counted: {}, leftAt: {} }) // []
 */
export const countsOf = (
  { lines }: Pick<RunSheet, "lines">,
  {
    counted,
    leftAt,
  }: {
    readonly counted: Readonly<Record<string, number>>;
    readonly leftAt: Readonly<Record<number, string>>;
  },
): Count[] =>
  lines.flatMap((line) => {
    const counter = counterOf(line);
    if (!counter || leftAt[line.index] === undefined) return [];
    const { id, title } = line.step;
    return [{ ...counter, step: id, title, count: counted[id] ?? null }];
  });
