interface Dated {
  readonly at: Date;
  readonly bytes: number;
}

/** Of how many days, weeks and months the newest backup of each is kept, and how much all of them may take. */
export interface Retention {
  readonly days: number;
  readonly weeks: number;
  readonly months: number;
  /** Bytes; null for no bound. */
  readonly bytes: number | null;
}

/** Two weeks of days, two months of weeks, a year of months. */
export const USUAL_RETENTION: Retention = { days: 14, weeks: 8, months: 12, bytes: null };

const DAY_MS = 86_400_000;
const DAY_DIGITS = "2026-12-01".length;
const MONTH_DIGITS = "2026-12".length;

const dayOf = (at: Date): string => at.toISOString().slice(0, DAY_DIGITS);
const monthOf = (at: Date): string => at.toISOString().slice(0, MONTH_DIGITS);
/** Weeks from Monday on: 1 January 1970 was a Thursday. */
const weekOf = (at: Date): string => String(Math.floor((at.getTime() / DAY_MS + 3) / 7));

/** The newest of each of the latest so many spans there is one of. */
function newestOfEach<T extends Dated>(
  newestFirst: readonly T[],
  spanOf: (at: Date) => string,
  most: number,
): T[] {
  const spans = new Map<string, T>();
  for (const backup of newestFirst) {
    const span = spanOf(backup.at);
    if (!spans.has(span) && spans.size < most) spans.set(span, backup);
  }
  return [...spans.values()];
}

/**
 * The backups that may go: neither the newest nor the newest of a day, week or month that is kept; and while the rest take
 * more than they may, the oldest. The newest is kept whatever it takes.
 */
export function backupsToDrop<T extends Dated>(backups: readonly T[], rule: Retention): T[] {
  const newestFirst = backups.toSorted((a, b) => b.at.getTime() - a.at.getTime());
  const wanted = new Set([
    ...newestFirst.slice(0, 1),
    ...newestOfEach(newestFirst, dayOf, rule.days),
    ...newestOfEach(newestFirst, weekOf, rule.weeks),
    ...newestOfEach(newestFirst, monthOf, rule.months),
  ]);
  const inOrder = newestFirst.filter((backup) => wanted.has(backup));
  let taken = 0;
  const fitting = inOrder.filter(({ bytes }, i) => {
    taken += bytes;
    return i === 0 || rule.bytes === null || taken <= rule.bytes;
  });
  return newestFirst.filter((backup) => !fitting.includes(backup));
}
