import { UTCDate } from "@date-fns/utc";
import { addDays, getISOWeek, getISOWeekYear, startOfISOWeek } from "date-fns";
import { ABSENT, type WeekOnRecord, type YieldRow } from "@/core";
import { KNOWN_QUESTIONS, OTHER_QUESTIONS, type RecordedFacts } from "./end-facts";

/** Weeks of days that were asked about: a year has few of them, and many ends. */
const weekOfDay = new Map<string, string>();

/** The ISO 8601 week of a time, UTC: `2026-W47`. */
export function weekOf(at: string): string {
  const day = at.slice(0, 10);
  const before = weekOfDay.get(day);
  if (before) return before;
  const date = new UTCDate(day);
  const week = `${getISOWeekYear(date)}-W${String(getISOWeek(date)).padStart(2, "0")}`;
  weekOfDay.set(day, week);
  return week;
}

/** Weeks that are drawn. */
const MOST = 26;
const QUESTIONS = [...KNOWN_QUESTIONS, ...OTHER_QUESTIONS.filter((question) => question !== "day")];

/**
 * The last weeks with ends, each with its yield and the conditions that were new in it.
 * @param facts in the order of the sign-offs.
 */
export function weeksOf(facts: readonly RecordedFacts[], rows: readonly YieldRow[]): WeekOnRecord[] {
  const fresh = freshByWeek(facts);
  const dayOf = new Map(facts.map(({ row }) => [weekOf(row.signed), row.signed]));
  return rows.slice(-MOST).flatMap(({ name, first, beside }) => {
    const signed = dayOf.get(name);
    if (signed === undefined) return [];
    const start = startOfISOWeek(new UTCDate(signed));
    const day = (date: Date) => date.toISOString().slice(0, 10);
    return [
      {
        week: name,
        from: day(start),
        to: day(addDays(start, 6)),
        first,
        beside,
        fresh: fresh.get(name) ?? [],
      },
    ];
  });
}

/** Conditions by the week they were first seen in; none of the first week, where everything is new. */
function freshByWeek(facts: readonly RecordedFacts[]): ReadonlyMap<string, WeekOnRecord["fresh"]> {
  const [oldest] = facts;
  const firstWeek = oldest ? weekOf(oldest.row.signed) : "";
  const fresh = new Map<string, { question: string; value: string }[]>();
  const had = new Map(QUESTIONS.map((question) => [question, new Set<string>([ABSENT])]));
  for (const { facts: own, row } of facts)
    for (const [question, values] of had) {
      const value = own[question];
      if (value === undefined || values.has(value)) continue;
      values.add(value);
      const week = weekOf(row.signed);
      if (week !== firstWeek) fresh.set(week, [...(fresh.get(week) ?? []), { question, value }]);
    }
  return fresh;
}
