import type { EndState } from "../end/end-state";

/** Hands on one end, from when they left whatever they had before until a line of this one was left. Seconds. */
export interface Worked {
  readonly end: number;
  readonly line: number;
  readonly from: number;
  readonly to: number;
}

/** A pause longer than this, in seconds, was a break: no more of it is counted. */
export const LONGEST_WORK = 600;

/**
 * The order a batch was really worked in, worked out from when each line of each end was last left: there is one pair of
 * hands, so what lies between two leavings went into the later one. Breaks are cut short, and what was redone counts
 * where it was done last.
 * @param begun when the batch was started.
 * @example workedIn([], "2026-11-25T08:00:00.000Z") // []
 */
export function workedIn(ends: readonly Pick<EndState, "leftAt">[], begun: string): Worked[] {
  const left = ends
    .flatMap(({ leftAt }, end) =>
      Object.entries(leftAt).map(([line, at]) => ({ end, line: Number(line), at: Date.parse(at) / 1000 })),
    )
    .sort((a, b) => a.at - b.at || a.end - b.end || a.line - b.line);
  let before = Date.parse(begun) / 1000;
  let clock = 0;
  return left.map(({ end, line, at }) => {
    const from = clock;
    clock += Math.min(LONGEST_WORK, Math.max(0, at - before));
    before = at;
    return { end, line, from, to: clock };
  });
}
