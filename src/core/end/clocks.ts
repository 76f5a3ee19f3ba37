import type { RunSheet } from "../runsheet/runsheet";
import type { EndState } from "./state";

/** Something that must be done within a time that runs from a step: a cleaved end inserted, adhesive used. */
export interface Clock {
  /** The step it runs from and the one it must be done by, by their lines. */
  readonly from: number;
  readonly until: number;
  /** What grows old. */
  readonly of: string;
  /** Whether it is a cleaved end, which is then cleaved anew. */
  readonly cleaved: boolean;
  readonly startedAt: string;
  readonly seconds: number;
  /** When it was done, if it was. */
  readonly doneAt: string | null;
}

/**
 * Every clock an end has begun: from when its step was left to when the one it must be done by was. It is told from
 * the entries alone, so it runs on whoever looks and wherever they go.
 */
export function clocksOf({ lines }: RunSheet, { leftAt, at }: Pick<EndState, "leftAt" | "at">): Clock[] {
  return lines.flatMap(({ index, step }) => {
    const startedAt = leftAt[index];
    const until = lines.findIndex(({ step: { id } }) => id === step.within?.until);
    if (!step.within || startedAt === undefined || at <= index || until < 0) return [];
    const { seconds, of } = step.within;
    const done = leftAt[until];
    const doneAt = done !== undefined && done >= startedAt && at > until ? done : null;
    return [{ from: index, until, of, cleaved: step.kind === "cleave", startedAt, seconds, doneAt }];
  });
}

/** Clocks still running. */
export const runningClocks = (sheet: RunSheet, state: Pick<EndState, "leftAt" | "at">): Clock[] =>
  clocksOf(sheet, state).filter(({ doneAt }) => doneAt === null);

/** Clocks that ran out before what they asked for was done. */
export const overrun = (sheet: RunSheet, state: Pick<EndState, "leftAt" | "at">): Clock[] =>
  clocksOf(sheet, state).filter(
    ({ startedAt, doneAt, seconds }) =>
      doneAt !== null && Date.parse(doneAt) - Date.parse(startedAt) > seconds * 1000,
  );
