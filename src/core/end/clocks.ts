import type { RunSheet } from "../runsheet/document";
import type { EndState } from "./end-state";

/** Something that must be done within a time that runs from a step: a cleaved end inserted, adhesive used. */
export interface Clock {
  /** The step it runs from and the one it must be done by, by their lines. */
  readonly from: number;
  readonly until: number;
  /** What grows old. */
  readonly of: string;
  /** Whether it is a cleaved end, which is then cleaved again. */
  readonly cleaved: boolean;
  readonly startedAt: string;
  readonly seconds: number;
  /** When it was done, if it was. */
  readonly doneAt: string | null;
}

/**
 * Every clock an end has begun: from when its step was left to when the one it must be done by was. It follows from
 * the events alone, so it runs on whoever looks and wherever they go.
 */
export function clocksOf(
  { lines }: Pick<RunSheet, "lines">,
  { leftAt, at }: Pick<EndState, "leftAt" | "at">,
): Clock[] {
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

/**
 * Clocks still running.
 * @example runningClocks(sheet, bare) // []
 */
export const runningClocks = (
  sheet: Pick<RunSheet, "lines">,
  state: Pick<EndState, "leftAt" | "at">,
): Clock[] => clocksOf(sheet, state).filter(({ doneAt }) => doneAt === null);

/**
 * Clocks that ran out before what they asked for was done.
 * @example overrun(sheet, bare) // []
 */
export const overrun = (sheet: RunSheet, state: Pick<EndState, "leftAt" | "at">): Clock[] =>
  clocksOf(sheet, state).filter(
    ({ startedAt, doneAt, seconds }) =>
      doneAt !== null && Date.parse(doneAt) - Date.parse(startedAt) > seconds * 1000,
  );

/** Something mixed or opened that lasts so long, for one end or for many: adhesive in the tip. */
interface RunningPot {
  readonly of: string;
  /** The step it is mixed or opened at, by its line. */
  readonly line: number;
  readonly startedAt: string;
  readonly seconds: number;
}

/**
 * The pots in use: each begins when the first end leaves the step that opens it, serves every end that comes to that
 * step within its life, and the first that comes later opens another. Told while an end still needs it: one that has not
 * come past that step, or where the fibre is not in yet.
 * @param states where each end stands that is made with it, one or a whole batch.
 * @example runningPots(sheet, [bare]) // []
 */
export function runningPots(
  { lines }: RunSheet,
  states: readonly Pick<EndState, "leftAt" | "at" | "signed">[],
): RunningPot[] {
  return lines.flatMap(({ index, step }) => {
    if (!step.pot) return [];
    const { of, seconds } = step.pot;
    const left = states.flatMap(({ leftAt }) => leftAt[index] ?? []).sort();
    const opened = left.reduce<string | null>(
      (pot, at) => (pot !== null && Date.parse(at) - Date.parse(pot) <= seconds * 1000 ? pot : at),
      null,
    );
    const inserted = lines.findIndex((line) => line.index > index && line.step.kind === "insert");
    const wanted = states.some(({ at, signed }) => signed === null && at <= Math.max(index, inserted));
    return opened !== null && wanted ? [{ of, line: index, startedAt: opened, seconds }] : [];
  });
}
