import { and, asc, desc, eq, gt, gte, isNotNull, isNull, lt, ne, or, type SQL, sql } from "drizzle-orm";
import type { Entry, Recorded, Result } from "@/core";
import { type EndFounded, entryHash, foundingHash } from "./chain";
import type { Store } from "./database";
import { batches, ends, entries } from "./schema";

export type EndRow = typeof ends.$inferSelect;

/** Adds an end; its chain of hashes begins with what it is started as. */
export const insertEnd = (store: Store, row: EndFounded): void => {
  store
    .insert(ends)
    .values({ ...row, lastHash: foundingHash(row) })
    .run();
};

export const findEnd = (store: Store, id: string): EndRow | undefined =>
  store.select().from(ends).where(eq(ends.id, id)).get();

/** An end's entries after a sequence number, in order. They were checked on the way in and cannot change since. */
export function entriesAfter(store: Store, endId: string, after = 0): Recorded[] {
  return store
    .select()
    .from(entries)
    .where(and(eq(entries.endId, endId), gt(entries.seq, after)))
    .orderBy(asc(entries.seq))
    .all()
    .map(({ id, seq, at, client, entry }) => ({ id, seq, at, client, entry: entry as Entry }));
}

export const findEntry = (store: Store, id: string): { endId: string; entry: Entry } | undefined => {
  const row = store.select().from(entries).where(eq(entries.id, id)).get();
  return row && { endId: row.endId, entry: row.entry as Entry };
};

/** Adds an entry, chained to the one before it. @param before hash of that one. @returns its own hash. */
export function insertEntry(
  store: Store,
  endId: string,
  { id, seq, at, client, entry }: Recorded,
  before: string,
): string {
  const hash = entryHash({ before, endId, id, seq, at, client, entry: JSON.stringify(entry) });
  store.insert(entries).values({ id, endId, seq, at, client, entry, before, hash }).run();
  return hash;
}

/** Brings the columns that follow from the entries up to date. */
export function updateEnd(
  store: Store,
  id: string,
  follows: Pick<
    EndRow,
    "job" | "label" | "result" | "verdicts" | "signedBy" | "signedAt" | "at" | "timers" | "lastHash"
  >,
): void {
  store.update(ends).set(follows).where(eq(ends.id, id)).run();
}

/** Ends at the bench, newest first. */
export const openEnds = (store: Store, most: number): EndRow[] =>
  store.select().from(ends).where(isNull(ends.signedAt)).orderBy(desc(ends.createdAt)).limit(most).all();

export interface LedgerFilter {
  readonly result?: Result | undefined;
  readonly style?: string | undefined;
  /** Words that all stand somewhere in its job, its name, its style, its cable or its signer's name. */
  readonly words?: readonly string[] | undefined;
  /** Signed off on or after, and before, these moments. */
  readonly since?: string | undefined;
  readonly until?: string | undefined;
  /** Sign-off time and id of the last row already seen. */
  readonly before?: { readonly signedAt: string; readonly id: string } | undefined;
}

/** What somebody typed, as it stands in a LIKE pattern: nothing in it is a wildcard. */
const holding = (word: string): string => `%${word.replaceAll(/[\\%_]/g, "\\$&")}%`;

const matching = ({ result, style, words = [], since, until, before }: LedgerFilter): SQL | undefined =>
  and(
    isNotNull(ends.signedAt),
    // What was begun by mistake is kept, and shown to whoever asks for it.
    result ? eq(ends.result, result) : ne(ends.result, "discarded"),
    style ? eq(ends.style, style) : undefined,
    ...words.map(
      (word) =>
        sql`(${ends.job} || ' ' || ${ends.label} || ' ' || ${ends.styleName} || ' ' || ${ends.cableName} || ' ' || coalesce(${ends.signedBy}, '')) LIKE ${holding(word)} ESCAPE '\\'`,
    ),
    since ? gte(ends.signedAt, since) : undefined,
    until ? lt(ends.signedAt, until) : undefined,
    before &&
      or(lt(ends.signedAt, before.signedAt), and(eq(ends.signedAt, before.signedAt), lt(ends.id, before.id))),
  );

/** Ends on record, newest sign-off first. */
export const signedEnds = (store: Store, filter: LedgerFilter, most: number): EndRow[] =>
  store
    .select()
    .from(ends)
    .where(matching(filter))
    .orderBy(desc(ends.signedAt), desc(ends.id))
    .limit(most)
    .all();

export const countSigned = (store: Store, filter: LedgerFilter): number =>
  store.select({ n: sql<number>`count(*)` }).from(ends).where(matching(filter)).get()?.n ?? 0;

/** Ends somebody signed, of one style or all, newest first. */
export const signedBy = (store: Store, person: string, style: string | undefined, most: number): EndRow[] =>
  store
    .select()
    .from(ends)
    .where(and(eq(ends.signedBy, person), style ? eq(ends.style, style) : undefined))
    .orderBy(desc(ends.signedAt))
    .limit(most)
    .all();

/** Everyone who signed an end off, by name. */
export const signersOf = (store: Store): string[] =>
  store
    .selectDistinct({ name: ends.signedBy })
    .from(ends)
    .where(isNotNull(ends.signedBy))
    .orderBy(asc(ends.signedBy))
    .all()
    .flatMap(({ name }) => name ?? []);

/** Every end's row, in the order of their ids, so many at a time. */
export const endsFrom = (store: Store, after: string, most: number): EndRow[] =>
  store.select().from(ends).where(gt(ends.id, after)).orderBy(asc(ends.id)).limit(most).all();

export const countEnds = (store: Store): number =>
  store.select({ n: sql<number>`count(*)` }).from(ends).get()?.n ?? 0;

/** Styles that have an end on record, by name. */
export const signedStyles = (store: Store): { style: string; styleName: string }[] =>
  store
    .selectDistinct({ style: ends.style, styleName: ends.styleName })
    .from(ends)
    .where(isNotNull(ends.signedAt))
    .orderBy(asc(ends.styleName))
    .all();

/** Ends at the bench with a hold or cure running. */
export const endsWithTimers = (store: Store): EndRow[] =>
  store.select().from(ends).where(sql`timers IS NOT NULL AND signed_at IS NULL`).all();

export const insertBatch = (store: Store, row: typeof batches.$inferInsert): void => {
  store.insert(batches).values(row).run();
};

export const findBatch = (store: Store, id: string): typeof batches.$inferSelect | undefined =>
  store.select().from(batches).where(eq(batches.id, id)).get();

/** A batch's ends in their order. */
export const endsOfBatch = (store: Store, batch: string): EndRow[] =>
  store.select().from(ends).where(eq(ends.batchId, batch)).orderBy(asc(ends.batchPlace)).all();
