import { and, asc, eq, gte, inArray, isNotNull, like, lt, max, min, ne, sql } from "drizzle-orm";
import type { EndId, Purpose, Result } from "@/core";
import type { Store } from "../database/store";
import { attempts, ends, events, verdicts } from "../schema";
import { askedOf, byShape, type LedgerFilter, matching } from "./signed";

const ownAttempts = sql.raw('a.end_id = "ends"."id" AND a.taken_back = 0');
const again = sql<number>`EXISTS (SELECT 1 FROM attempts a WHERE ${ownAttempts})`;

/** Ends with one result: their number, how many took more than one attempt, and the cable that cost. */
export interface ResultTotal {
  readonly result: Result | null;
  readonly ends: number;
  readonly again: number;
  /** Micrometres. */
  readonly cableLost: number;
}

const totals = byShape((store, filter) =>
  store
    .select({
      result: ends.result,
      ends: sql<number>`count(*)`,
      again: sql<number>`sum(${again})`,
      cableLost: sql<number>`sum((SELECT coalesce(sum(a.cable_lost), 0) FROM attempts a WHERE ${ownAttempts}))`,
    })
    .from(ends)
    .where(matching(filter))
    .groupBy(ends.result)
    .prepare(),
);

/** The ends of a filter, by result. */
export const totalsSigned = (store: Store, filter: LedgerFilter): ResultTotal[] =>
  totals(store, filter).all(askedOf(filter));

/** An end as a bar of its day. */
export interface DayRow {
  readonly id: EndId;
  readonly job: string;
  readonly label: string;
  readonly result: Result | null;
  readonly begun: string;
  readonly signed: string;
  readonly signedBy: string;
  readonly signer: string | null;
  /** When its last attempt was begun; null where the first one did. */
  readonly again: string | null;
}

const bars = byShape((store, filter) =>
  store
    .select({
      id: ends.id,
      job: ends.job,
      label: ends.label,
      result: ends.result,
      begun: ends.createdAt,
      signed: sql<string>`${ends.signedAt}`,
      signedBy: sql<string>`coalesce(${ends.signedBy}, '')`,
      signer: ends.signer,
      again: sql<string | null>`(SELECT max(a.at) FROM attempts a WHERE ${ownAttempts})`,
    })
    .from(ends)
    .where(matching(filter))
    .orderBy(asc(ends.createdAt), asc(ends.id))
    .limit(sql.placeholder("most"))
    .prepare(),
);

/** Ends of a filter as bars of a day, in the order they were begun. */
export const signedBars = (store: Store, filter: LedgerFilter, most: number): DayRow[] =>
  bars(store, filter).all({ ...askedOf(filter), most });

/** Sign-off times beside a day: the last before it and the first after it. Days are written `2026-11-30`. */
export function signedBeside(
  store: Store,
  purpose: Purpose,
  day: string,
  dayAfter: string,
): { readonly before: string | null; readonly after: string | null } {
  const ofWork = and(eq(ends.purpose, purpose), isNotNull(ends.signedAt), ne(ends.result, "discarded"));
  const [before, after] = [
    store
      .select({ at: max(ends.signedAt) })
      .from(ends)
      .where(and(ofWork, lt(ends.signedAt, day)))
      .get(),
    store
      .select({ at: min(ends.signedAt) })
      .from(ends)
      .where(and(ofWork, gte(ends.signedAt, dayAfter)))
      .get(),
  ];
  return { before: before?.at ?? null, after: after?.at ?? null };
}

/** Lengths read on some ends, as they were judged. */
export const lengthsOfEnds = (store: Store, ids: readonly EndId[]) =>
  store
    .select({
      endId: verdicts.endId,
      name: verdicts.name,
      leg: verdicts.leg,
      nominal: verdicts.nominal,
      min: verdicts.min,
      max: verdicts.max,
      mean: sql<number>`${verdicts.mean}`,
      u: sql<number>`coalesce(${verdicts.u}, 0)`,
      verdict: verdicts.verdict,
    })
    .from(verdicts)
    .where(and(inArray(verdicts.endId, [...ids]), isNotNull(verdicts.mean)))
    .all();

/** Attempts after the first of some ends, but those undone at once. */
export const attemptsOfEnds = (store: Store, ids: readonly EndId[]) =>
  store
    .select({ endId: attempts.endId, attempts: sql<number>`count(*)` })
    .from(attempts)
    .where(and(inArray(attempts.endId, [...ids]), eq(attempts.takenBack, 0)))
    .groupBy(attempts.endId)
    .all();

/** Those of some ends that may have light read: their events name it. */
export const endsNamingLight = (store: Store, ids: readonly EndId[]): EndId[] =>
  store
    .selectDistinct({ endId: events.endId })
    .from(events)
    .where(and(inArray(events.endId, [...ids]), like(events.body, '%"light"%')))
    .all()
    .map(({ endId }) => endId);
