import { and, asc, desc, eq, inArray, isNotNull, like, ne, sql } from "drizzle-orm";
import { DONE, type EndId } from "@/core";
import { prepared } from "../database/prepared";
import type { Store } from "../database/store";
import { ends, events, toolEvents, uses, verdicts } from "../schema";
import type { EndRow } from "./ends";

/** An end of work on record with what it was made of and how it came out. */
export interface FactRow {
  readonly id: EndId;
  readonly style: string;
  readonly styleName: string;
  readonly cableName: string;
  readonly signer: string | null;
  readonly signedBy: string;
  readonly picked: EndRow["picked"];
  readonly begun: string;
  readonly signed: string;
  readonly batch: string | null;
  readonly good: boolean;
  /** True if it took more than one attempt. */
  readonly again: boolean;
}

const facts = prepared((store) =>
  store
    .select({
      id: ends.id,
      style: ends.style,
      styleName: ends.styleName,
      cableName: ends.cableName,
      signer: ends.signer,
      signedBy: sql<string>`coalesce(${ends.signedBy}, '')`,
      picked: ends.picked,
      begun: ends.createdAt,
      signed: sql<string>`${ends.signedAt}`,
      batch: ends.batchId,
      good: sql<number>`${ends.result} IN ${[...DONE]}`,
      again: sql<number>`EXISTS (SELECT 1 FROM attempts a WHERE a.end_id = ${sql.raw('"ends"."id"')} AND a.taken_back = 0)`,
    })
    .from(ends)
    .where(and(eq(ends.purpose, "work"), isNotNull(ends.signedAt), ne(ends.result, "discarded")))
    .orderBy(asc(ends.signedAt), asc(ends.id))
    .prepare(),
);

/** Every end of work on record in the order of the sign-offs, but those begun by mistake. */
export const factRows = (store: Store): FactRow[] =>
  facts(store)
    .all()
    .map(({ good, again, ...row }) => ({ ...row, good: good === 1, again: again === 1 }));

/** Strokes of tools on work, and what was done to their blades, each in the order of time. */
export const toolHistory = (store: Store) => ({
  strokes: store
    .select({ endId: uses.endId, tool: sql<string>`${uses.tool}`, at: uses.at, count: uses.count })
    .from(uses)
    .where(and(isNotNull(uses.tool), eq(uses.purpose, "work")))
    .orderBy(asc(uses.at))
    .all(),
  done: store.select().from(toolEvents).orderBy(asc(toolEvents.at)).all(),
});

/** A length of an end as it was first read, micrometres. */
interface FirstLength {
  readonly id: EndId;
  readonly style: string;
  readonly styleName: string;
  readonly signer: string | null;
  readonly signedBy: string;
  readonly signed: string;
  readonly dimension: string;
  readonly name: string;
  readonly tool: string;
  /** The instrument it was read with first. */
  readonly gauge: string | null;
  readonly nominal: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly firstMean: number;
}

const lengths = prepared((store) =>
  store
    .select({
      id: ends.id,
      style: ends.style,
      styleName: ends.styleName,
      signer: ends.signer,
      signedBy: sql<string>`coalesce(${ends.signedBy}, '')`,
      signed: sql<string>`${ends.signedAt}`,
      dimension: verdicts.dimension,
      name: verdicts.name,
      tool: sql<string>`${verdicts.tool}`,
      gauge: sql<
        string | null
      >`(SELECT r.instrument FROM readings r WHERE r.end_id = ${sql.raw('"verdicts"."end_id"')} AND r."check" = ${sql.raw('"verdicts"."check"')} ORDER BY r.at LIMIT 1)`,
      nominal: verdicts.nominal,
      min: verdicts.min,
      max: verdicts.max,
      firstMean: sql<number>`${verdicts.firstMean}`,
    })
    .from(verdicts)
    .innerJoin(ends, eq(ends.id, verdicts.endId))
    .where(
      and(
        eq(ends.purpose, "work"),
        isNotNull(ends.signedAt),
        isNotNull(verdicts.firstMean),
        isNotNull(verdicts.tool),
      ),
    )
    .orderBy(asc(ends.signedAt), asc(ends.id))
    .prepare(),
);

/** First readings of every length that a tool makes, in the order of the sign-offs. */
export const firstLengths = (store: Store): FirstLength[] => lengths(store).all();

/** Everything used up on work at some pieces, by item, most first. */
export const usedOnPieces = (
  store: Store,
  pieces: readonly string[],
): readonly { readonly item: string; readonly count: number }[] =>
  store
    .select({ item: uses.item, count: sql<number>`sum(${uses.count})` })
    .from(uses)
    .innerJoin(ends, eq(ends.id, uses.endId))
    .where(and(inArray(ends.piece, [...pieces]), eq(uses.purpose, "work")))
    .groupBy(uses.item)
    .orderBy(desc(sql`sum(${uses.count})`), asc(uses.item))
    .all();

/** Light read through an end: reference less reading, decibels. */
export interface FirstLoss {
  readonly id: EndId;
  readonly wavelength: number;
  readonly source: string;
  readonly loss: number;
}

const meanOf = (json: string): number => {
  const values: unknown = JSON.parse(json);
  const numbers = Array.isArray(values) ? values.map(Number) : [];
  return numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
};

/** First loss of each of some ends at each wavelength: mean of the reference less mean of the reading. */
export function firstLosses(store: Store, ids: readonly EndId[]): FirstLoss[] {
  const losses = new Map<string, FirstLoss>();
  for (const { id, wavelength, source, reference, reading } of store
    .select({
      id: events.endId,
      wavelength: sql<number>`json_extract(${events.body}, '$.event.reference.wavelength')`,
      source: sql<string>`json_extract(${events.body}, '$.event.reference.source')`,
      reference: sql<string>`json_extract(${events.body}, '$.event.reference.dBm')`,
      reading: sql<string>`json_extract(${events.body}, '$.event.dBm')`,
    })
    .from(events)
    .where(
      and(
        inArray(events.endId, [...ids]),
        like(events.body, '%"kind":"light"%'),
        sql`json_extract(${events.body}, '$.event.kind') = 'light'`,
      ),
    )
    .orderBy(asc(events.n))
    .all()) {
    const key = `${id} ${wavelength}`;
    if (!losses.has(key))
      losses.set(key, { id, wavelength, source, loss: meanOf(reference) - meanOf(reading) });
  }
  return [...losses.values()];
}
