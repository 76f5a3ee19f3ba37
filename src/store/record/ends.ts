import {
  and,
  asc,
  desc,
  eq,
  getTableColumns,
  gt,
  gte,
  inArray,
  isNotNull,
  isNull,
  lte,
  ne,
  notExists,
  or,
  type SQL,
  sql,
} from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { EndId, PieceId } from "@/core";
import { DONE } from "@/core";
import { prepared, settingOf } from "../database/prepared";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { attempts, batches, ends, verdicts } from "../schema";
import { foundingHash } from "./chain";
import { type Founding, foundingColumns, foundingText, type NewFounding } from "./founding";
import { addToRegister, digestOf } from "./register";

export type EndRow = typeof ends.$inferSelect;

/** Adds an end; its chain of hashes begins with what it is started as. */
export function insertEnd(store: Store, founding: NewFounding): void {
  inTransaction(store, () => insertEndAsWas(store, founding, foundingText(founding)));
}

/** Adds an end of another record's, as it was started there. */
export function insertEndAsWas(store: Store, founding: Founding, text: string): void {
  const row = store
    .insert(ends)
    .values({ ...foundingColumns(founding), founding: text })
    .returning()
    .get();
  const hash = foundingHash(row);
  store.update(ends).set({ lastHash: hash }).where(eq(ends.id, row.id)).run();
  addToRegister(store, "end", row.id, hash);
}

const endById = prepared((store) =>
  store
    .select()
    .from(ends)
    .where(eq(ends.id, sql.placeholder("id")))
    .prepare(),
);

export const findEnd = (store: Store, id: EndId): EndRow | undefined => endById(store).get({ id });

type Following = Pick<
  EndRow,
  "job" | "label" | "result" | "verdicts" | "signedBy" | "signedAt" | "signer" | "at" | "timers" | "lastHash"
>;

const follow = prepared((store) => {
  const { job, label, result, verdicts, signedBy, signedAt, signer, at, timers, lastHash } = settingOf(ends);
  return store
    .update(ends)
    .set({ job, label, result, verdicts, signedBy, signedAt, signer, at, timers, lastHash })
    .where(eq(ends.id, sql.placeholder("id")))
    .prepare();
});

/** Brings the columns that follow from the events up to date. */
export function updateEnd(store: Store, id: EndId, follows: Following): void {
  follow(store).run({ ...follows, id });
}

/** Ends at the bench, newest first, those of one batch as one: its newest, and how many they are. */
export function openWork(
  store: Store,
  before: { readonly createdAt: string; readonly id: string } | undefined,
  most: number,
): (EndRow & { readonly count: number })[] {
  const mates = alias(ends, "mates");
  const ofSameBatch = and(eq(mates.batchId, ends.batchId), isNull(mates.signedAt));
  const newer = store
    .select({ row: sql`1` })
    .from(mates)
    .where(and(ofSameBatch, sql`(${mates.createdAt}, ${mates.id}) > (${ends.createdAt}, ${ends.id})`));
  const together = store.select({ n: sql<number>`count(*)` }).from(mates).where(ofSameBatch);
  return store
    .select({
      ...getTableColumns(ends),
      count: sql<number>`iif(${ends.batchId} IS NULL, 1, (${together}))`,
    })
    .from(ends)
    .where(
      and(
        isNull(ends.signedAt),
        or(isNull(ends.batchId), notExists(newer)),
        before && sql`(${ends.createdAt}, ${ends.id}) < (${before.createdAt}, ${before.id})`,
      ),
    )
    .orderBy(desc(ends.createdAt), desc(ends.id))
    .limit(most)
    .all();
}

/** Every end at the bench, those of batches too, newest first. */
export const endsAtBench = (store: Store, most: number): EndRow[] =>
  store
    .select()
    .from(ends)
    .where(isNull(ends.signedAt))
    .orderBy(desc(ends.createdAt), desc(ends.id))
    .limit(most)
    .all();

export const countOpen = (store: Store): number =>
  store.select({ n: sql<number>`count(*)` }).from(ends).where(isNull(ends.signedAt)).get()?.n ?? 0;

/** First readings of the lengths of the ends some people signed, of one style or all, the newest ends first. */
export const firstReadingsBy = (
  store: Store,
  people: readonly string[],
  style: string | undefined,
  most: number,
): FirstReading[] => {
  const signed = store
    .select({ id: ends.id })
    .from(ends)
    .where(
      and(
        inArray(ends.signer, [...people]),
        eq(ends.purpose, "work"),
        style ? eq(ends.style, style) : undefined,
      ),
    )
    .orderBy(desc(ends.signedAt))
    .limit(most);
  return store
    .select({
      style: ends.style,
      styleName: ends.styleName,
      dimension: verdicts.dimension,
      name: verdicts.name,
      makes: verdicts.makes,
      tool: verdicts.tool,
      nominal: verdicts.nominal,
      min: verdicts.min,
      max: verdicts.max,
      firstMean: verdicts.firstMean,
    })
    .from(verdicts)
    .innerJoin(ends, eq(ends.id, verdicts.endId))
    .where(and(inArray(ends.id, signed), isNotNull(verdicts.firstMean), isNotNull(verdicts.makes)))
    .orderBy(asc(ends.signedAt), asc(sql`verdicts.rowid`))
    .all();
};

/** How a length lay when it was first read; micrometres. */
interface FirstReading {
  readonly style: string;
  readonly styleName: string;
  readonly dimension: string;
  readonly name: string;
  readonly makes: string | null;
  readonly tool: string | null;
  readonly nominal: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly firstMean: number | null;
}

/** Ids of everyone who signed work off. */
export const signersOf = (store: Store): string[] =>
  store
    .selectDistinct({ id: ends.signer })
    .from(ends)
    .where(and(isNotNull(ends.signer), eq(ends.purpose, "work")))
    .all()
    .flatMap(({ id }) => id ?? []);

/** Ends by id, in order, so many at a time. */
export const endIdsFrom = (store: Store, after: string, most: number): string[] =>
  store
    .select({ id: ends.id })
    .from(ends)
    .where(gt(ends.id, after))
    .orderBy(asc(ends.id))
    .limit(most)
    .all()
    .map(({ id }) => id);

/** Ends of a job by its name, in the order they were begun. */
export const endIdsOfJob = (store: Store, job: string): string[] =>
  store
    .select({ id: ends.id })
    .from(ends)
    .where(eq(ends.job, job))
    .orderBy(asc(ends.createdAt), asc(ends.id))
    .all()
    .map(({ id }) => id);

export const countEnds = (store: Store): number =>
  store.select({ n: sql<number>`count(*)` }).from(ends).get()?.n ?? 0;

/** Ends at the bench with a hold or cure running. */
export const endsWithTimers = (store: Store): EndRow[] =>
  store.select().from(ends).where(sql`timers IS NOT NULL AND signed_at IS NULL`).all();

/** An end of a piece as its place shows it. */
export interface PlacedRow
  extends Pick<
    EndRow,
    | "id"
    | "createdAt"
    | "piece"
    | "side"
    | "address"
    | "result"
    | "signedBy"
    | "signedAt"
    | "style"
    | "styleName"
    | "procedureHash"
    | "picked"
    | "batchId"
    | "at"
    | "sheetHash"
    | "lastHash"
  > {}

/** Work on some pieces, in the order it was begun, but what was begun by mistake. */
export const endsOfPieces = (store: Store, pieces: readonly PieceId[]): PlacedRow[] =>
  store
    .select({
      id: ends.id,
      createdAt: ends.createdAt,
      piece: ends.piece,
      side: ends.side,
      address: ends.address,
      result: ends.result,
      signedBy: ends.signedBy,
      signedAt: ends.signedAt,
      style: ends.style,
      styleName: ends.styleName,
      procedureHash: ends.procedureHash,
      picked: ends.picked,
      batchId: ends.batchId,
      at: ends.at,
      sheetHash: ends.sheetHash,
      lastHash: ends.lastHash,
    })
    .from(ends)
    .where(
      and(
        inArray(ends.piece, [...pieces]),
        eq(ends.purpose, "work"),
        or(isNull(ends.result), ne(ends.result, "discarded")),
      ),
    )
    .orderBy(asc(ends.createdAt), asc(ends.id))
    .all();

/** Work of a style on record, but what was begun by mistake. */
const signedWork = (style: string): SQL | undefined =>
  and(
    eq(ends.style, style),
    eq(ends.purpose, "work"),
    isNotNull(ends.signedAt),
    ne(ends.result, "discarded"),
  );

/** Ends of a style signed off as good, and everything that was tried for them: each end, and each retry that took cable. */
export function yieldOf(store: Store, style: string): { good: number; tried: number } {
  const signed = store
    .select({
      good: sql<number>`count(*) FILTER (WHERE result IN ${[...DONE]})`,
      ended: sql<number>`count(*)`,
    })
    .from(ends)
    .where(signedWork(style))
    .get();
  const again = store
    .select({ n: sql<number>`count(*)` })
    .from(attempts)
    .innerJoin(ends, eq(ends.id, attempts.endId))
    .where(and(signedWork(style), eq(attempts.takenBack, 0), gt(attempts.cableLost, 0)))
    .get();
  return { good: signed?.good ?? 0, tried: (signed?.ended ?? 0) + (again?.n ?? 0) };
}

export const insertBatch = (store: Store, row: typeof batches.$inferSelect): void =>
  inTransaction(store, () => {
    store.insert(batches).values(row).run();
    addToRegister(store, "batch", row.id, digestOf(row));
  });

export const findBatch = (store: Store, id: EndId): typeof batches.$inferSelect | undefined =>
  store.select().from(batches).where(eq(batches.id, id)).get();

/** A batch's ends in their order. */
export const endsOfBatch = (store: Store, batch: string): EndRow[] =>
  store.select().from(ends).where(eq(ends.batchId, batch)).orderBy(asc(ends.batchPlace)).all();

/** Ends of work that were at the bench at some time between two, newest first. */
export const endsWorkedBetween = (store: Store, from: string, to: string, most: number): EndRow[] =>
  store
    .select()
    .from(ends)
    .where(
      and(
        eq(ends.purpose, "work"),
        lte(ends.createdAt, to),
        or(isNull(ends.signedAt), gte(ends.signedAt, from)),
      ),
    )
    .orderBy(desc(ends.createdAt), desc(ends.id))
    .limit(most)
    .all();
