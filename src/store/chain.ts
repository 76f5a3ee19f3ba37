import { createHash } from "node:crypto";
import { asc, eq, sql } from "drizzle-orm";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import type * as schema from "./schema";
import { ends, entries } from "./schema";

type Store = BetterSQLite3Database<typeof schema>;
type EndRow = typeof ends.$inferSelect;

const sha256 = (parts: readonly unknown[]): string =>
  createHash("sha256").update(JSON.stringify(parts)).digest("hex");

/** What an end was started as, under one hash: the first link of its chain. */
export const foundingHash = (end: EndFounded): string =>
  sha256([
    end.id,
    end.createdAt,
    end.procedureHash,
    end.cableHash,
    end.toolsHash,
    end.style,
    end.styleName,
    end.cableName,
    JSON.stringify(end.picked),
    JSON.stringify(end.rule),
    end.batchId ?? null,
    end.batchPlace ?? null,
  ]);

export type EndFounded = Pick<
  EndRow,
  | "id"
  | "createdAt"
  | "procedureHash"
  | "cableHash"
  | "toolsHash"
  | "style"
  | "styleName"
  | "cableName"
  | "picked"
  | "rule"
> & { readonly batchId?: string | null | undefined; readonly batchPlace?: number | null | undefined };

/** An entry's row as it lies in the file: `entry` is its very text. */
export interface EntryRow {
  readonly id: string;
  readonly endId: string;
  readonly seq: number;
  readonly at: string;
  readonly client: string;
  readonly entry: string;
  readonly before: string;
  readonly hash: string;
}

/** An entry under a hash that takes in the one before it, word for word (SHA-256, hexadecimal). */
export const entryHash = ({ before, endId, id, seq, at, client, entry }: Omit<EntryRow, "hash">): string =>
  sha256([before, endId, id, seq, at, client, entry]);

/** The rows of one end's entries as they lie in the file, in order. */
export const entryRows = (store: Store, endId: string): EntryRow[] =>
  store
    .select({
      id: entries.id,
      endId: entries.endId,
      seq: entries.seq,
      at: entries.at,
      client: entries.client,
      entry: sql<string>`CAST(${entries.entry} AS TEXT)`,
      before: entries.before,
      hash: entries.hash,
    })
    .from(entries)
    .where(eq(entries.endId, endId))
    .orderBy(asc(entries.seq))
    .all();

/**
 * Chains what was written before entries carried hashes: once, when such a file is first opened. What it then says is
 * taken as it stands; from there on any change shows.
 */
export function chainOldEntries(store: Store): void {
  const unchained = store.select().from(ends).where(eq(ends.lastHash, "")).all();
  if (unchained.length === 0) return;
  store.transaction((tx) => {
    const trigger = tx.get<{ sql: string }>(
      sql`SELECT sql FROM sqlite_master WHERE type = 'trigger' AND name = 'entries_keep_words'`,
    );
    tx.run(sql`DROP TRIGGER IF EXISTS entries_keep_words`);
    for (const end of unchained) {
      let before = foundingHash(end);
      for (const row of entryRows(tx as Store, end.id)) {
        const hash = entryHash({ ...row, before });
        tx.update(entries).set({ before, hash }).where(eq(entries.id, row.id)).run();
        before = hash;
      }
      tx.update(ends).set({ lastHash: before }).where(eq(ends.id, end.id)).run();
    }
    if (trigger) tx.run(sql.raw(trigger.sql));
  });
}
