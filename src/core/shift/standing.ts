/** Common practice, no source: a check is good for one shift. Hours. */
const SHIFT = 12;

/**
 * True for a check of the shift that a time belongs to.
 * @param at when it was made, an ISO time.
 * @example isOfShift("2026-11-25T07:00:00Z", new Date("2026-11-25T15:00:00Z")) // true
 */
export const isOfShift = (at: string, now: Date): boolean =>
  now.getTime() - Date.parse(at) < SHIFT * 3_600_000;

/** A check of one tool, as it is stored: its time, and its result. */
export interface TimedCheck {
  readonly at: string;
  readonly good: boolean;
}

/** Standing of work by the checks of one tool it was made with. */
export interface ToolCheckStanding<C extends TimedCheck> {
  /**
   * `failed` where a check failed with no good one between it and the work, before or after; `good` where the last check
   * before the work was good; `unchecked` where there was none before it.
   */
  readonly standing: "good" | "failed" | "unchecked";
  /** The last check before the work. */
  readonly before: C | null;
  /** The check that failed. */
  readonly failed: C | null;
}

/**
 * Standing of work by the checks of a tool: the check that failed names everything made since the last good one, and
 * everything made until the next good one.
 * @param checks checks of one tool, in the order of time.
 * @param work when the work was begun and ended, ISO times.
 * @example checkStanding([{ at: "08:00", good: true }, { at: "12:00", good: false }], { from: "09:00", to: "09:10" }).standing
 * // "failed"
 */
export function checkStanding<C extends TimedCheck>(
  checks: readonly C[],
  { from, to }: { readonly from: string; readonly to: string },
): ToolCheckStanding<C> {
  const before = checks.findLast(({ at }) => at <= from) ?? null;
  const during = checks.filter(({ at }) => at > from && at <= to);
  const after = checks.find(({ at }) => at > to) ?? null;
  const failed = [before, ...during, after].find((check) => check !== null && !check.good) ?? null;
  if (failed) return { standing: "failed", before, failed };
  return {
    standing: before || during.length > 0 ? "good" : "unchecked",
    before: before ?? during[0] ?? null,
    failed,
  };
}

const WORST_FIRST = ["failed", "unchecked", "good"] as const;

/**
 * The worst of several standings, the first of those alike; null of none.
 * @example worstStanding([{ standing: "good" }, { standing: "failed" }])?.standing // "failed"
 */
export const worstStanding = <S extends { readonly standing: (typeof WORST_FIRST)[number] }>(
  stood: readonly S[],
): S | null =>
  WORST_FIRST.flatMap((standing) => stood.filter((each) => each.standing === standing)).at(0) ?? null;
