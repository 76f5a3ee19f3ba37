import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { backupsToDrop, USUAL_RETENTION } from "./retention";

const NEWEST = Date.parse("2026-12-01T03:00:00Z");
/** A backup so many days old. */
const old = (days: number, bytes = 10) => ({ at: new Date(NEWEST - days * 86_400_000), bytes });
const daysLeft = (ages: readonly number[], rule = USUAL_RETENTION) => {
  const all = ages.map((days) => old(days));
  const gone = new Set(backupsToDrop(all, rule));
  return all.flatMap((backup, i) => (gone.has(backup) ? [] : [ages[i]]));
};

describe("backups kept by rule", () => {
  it("are the last of each of 14 days, 8 weeks and 12 months, of one made every day for two years", () => {
    const left = daysLeft(Array.from({ length: 730 }, (_, i) => i));
    // 1 December 2026 is a Tuesday: Sundays are the last of their week; then the last day of each month.
    expect(left).toEqual([
      ...[0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13],
      ...[16, 23, 30, 31, 37, 44],
      ...[62, 92, 123, 154, 184, 215, 245, 276, 304],
    ]);
  });
  it("are of the days there were, where some were missed", () => {
    expect(daysLeft([0, 40, 400])).toEqual([0, 40, 400]);
  });
  it("of one day are its newest alone", () => {
    expect(daysLeft([0, 0.01, 0.02])).toEqual([0]);
  });
  it("go from the oldest on while they take more than they may, and never the newest", () => {
    const all = [old(0, 90), old(1, 10), old(2, 10)];
    expect(backupsToDrop(all, { ...USUAL_RETENTION, bytes: 100 })).toEqual([all[2]]);
    expect(backupsToDrop(all, { ...USUAL_RETENTION, bytes: 5 })).toEqual([all[1], all[2]]);
  });
  it("always have the newest, and never take more than they may beside it", () => {
    const any = fc.array(
      fc.record({ days: fc.integer({ min: 0, max: 900 }), bytes: fc.integer({ min: 1, max: 50 }) }),
      { minLength: 1 },
    );
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 500 }), (drawn, bytes) => {
        const all = drawn.map((backup) => old(backup.days, backup.bytes));
        const gone = new Set(backupsToDrop(all, { ...USUAL_RETENTION, bytes }));
        const [newest, ...rest] = all
          .filter((backup) => !gone.has(backup))
          .toSorted((a, b) => b.at.getTime() - a.at.getTime());
        expect(newest?.at.getTime()).toBe(Math.max(...all.map(({ at }) => at.getTime())));
        if (rest.length > 0)
          expect(
            [newest, ...rest].reduce((sum, backup) => sum + (backup?.bytes ?? 0), 0),
          ).toBeLessThanOrEqual(bytes);
      }),
    );
  });
});
