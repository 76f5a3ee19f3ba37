import type { Rule } from "../conformance/conformance";
import type { Judged, KeptVerdict, Result } from "../event/judged";
import type { RunSheet } from "../runsheet/document";
import { runningClocks } from "./clocks";
import type { EndState, RunTimer } from "./end-state";
import { keptVerdicts, resultOf } from "./result";

/** What is shown of an end in a list: all of it follows from its events. */
interface EndSummary {
  readonly job: string;
  readonly label: string;
  readonly result: Result | null;
  readonly verdicts: readonly KeptVerdict[] | null;
  readonly signedBy: string | null;
  readonly signedAt: string | null;
  readonly at: number;
  readonly timers: readonly RunTimer[] | null;
}

/**
 * What a list tells of an end as its events leave it.
 * @param judged as judged when it was signed off, where that is on record: it stands, whatever would be judged now.
 * @example followsFrom(sheet, bare, rule, null)
 * // { job: "", label: "", result: null, verdicts: null, signedBy: null, signedAt: null, at: 26, timers: null }
 */
export function followsFrom(
  sheet: RunSheet,
  state: EndState,
  rule: Rule,
  judged: Pick<Judged, "result" | "verdicts"> | null,
): EndSummary {
  const { job, label, signed, at } = state;
  return {
    job,
    label,
    result: signed ? (judged?.result ?? resultOf(sheet, state, rule)) : null,
    verdicts: signed ? (judged?.verdicts ?? keptVerdicts(sheet, state, rule)) : null,
    signedBy: signed?.name ?? null,
    signedAt: signed?.at ?? null,
    at,
    timers: state.parked ? null : runningTimers(sheet, state),
  };
}

/** Holds and cures begun and not ended, and what must be done in time; null when there is none. */
function runningTimers(sheet: RunSheet, state: EndState): readonly RunTimer[] | null {
  const running: RunTimer[] = [
    ...state.timers.filter(({ stoppedAt }) => stoppedAt === null),
    ...runningClocks(sheet, state).map(({ from, startedAt, seconds }) => ({
      step: sheet.lines[from]?.step.id ?? "",
      clock: true as const,
      startedAt,
      seconds,
      stoppedAt: null,
    })),
  ];
  return running.length > 0 ? running : null;
}
