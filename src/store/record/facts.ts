import { and, asc, desc, eq, inArray, like, sql } from "drizzle-orm";
import { DONE, type EndId } from "@/core";
import type { Store } from "../database/store";
import { attempts, ends, events, readings, uses, verdicts } from "../schema";

/** An end of work on record with what it was made of and how it came out. */
export interface FactRow {
  readonly id: EndId;
  readonly style: string;
  readonly styleName: string;
  readonly cableName: string;
  readonly signer: string | null;
  readonly signedBy: string;
  /** Interface of its connector; null where its procedure has no such option. */
  readonly interface: string | null;
  readonly begun: string;
  readonly signed: string;
  readonly batch: string | null;
  /** 1 if it came out good. */
  readonly good: 0 | 1;
  /** 1 if it took more than one attempt. */
  readonly again: 0 | 1;
}

/** Every end of work on record in the order of the sign-offs, but those begun by mistake. */
export const factRows = (store: Store): FactRow[] =>
  // As the driver has them: ten thousand rows mapped column by column take longer than they are read in.
  store.all<FactRow>(sql`
    SELECT ${ends.id} AS id, ${ends.style} AS style, ${ends.styleName} AS styleName, ${ends.cableName} AS cableName,
      ${ends.signer} AS signer, coalesce(${ends.signedBy}, '') AS signedBy,
      json_extract(${ends.picked}, '$.choices.interface') AS interface,
      ${ends.createdAt} AS begun, ${ends.signedAt} AS signed, ${ends.batchId} AS batch,
      ${ends.result} IN ${[...DONE]} AS good,
      EXISTS (SELECT 1 FROM ${attempts} WHERE ${eq(attempts.endId, ends.id)} AND ${eq(attempts.takenBack, 0)}) AS again
    FROM ${ends}
    WHERE ${ends.purpose} = 'work' AND ${ends.signedAt} IS NOT NULL AND ${ends.result} <> 'discarded'
    ORDER BY ${ends.signedAt}, ${ends.id}`);

/** A length of an end as it was first read, micrometres. */
interface FirstLength {
  readonly id: EndId;
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

/** First readings of every length that a tool makes, in the order of the sign-offs. */
export const firstLengths = (store: Store): FirstLength[] =>
  store.all<FirstLength>(sql`
    SELECT ${ends.id} AS id, ${verdicts.dimension} AS dimension, ${verdicts.name} AS name, ${verdicts.tool} AS tool,
      (SELECT ${readings.instrument} FROM ${readings}
        WHERE ${eq(readings.endId, verdicts.endId)} AND ${eq(readings.check, verdicts.check)}
        ORDER BY ${readings.at} LIMIT 1) AS gauge,
      ${verdicts.nominal} AS nominal, ${verdicts.min} AS min, ${verdicts.max} AS max, ${verdicts.firstMean} AS firstMean
    FROM ${verdicts} JOIN ${ends} ON ${eq(ends.id, verdicts.endId)}
    WHERE ${ends.purpose} = 'work' AND ${ends.signedAt} IS NOT NULL
      AND ${verdicts.firstMean} IS NOT NULL AND ${verdicts.tool} IS NOT NULL
    ORDER BY ${ends.signedAt}, ${ends.id}`);

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
