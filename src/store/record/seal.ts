import { sql } from "drizzle-orm";
import type { EndId } from "@/core";
import type { Store } from "../database/store";
import { registerHead } from "./register";
import { treeRoot } from "./tree";

/** How far a record had come: the last line of its register and its last event. */
interface SealedTo {
  readonly register: number;
  readonly events: number;
}

/** One end under a seal: its id, and the hash of what had last happened to it. */
export interface Sealed {
  readonly end: EndId;
  readonly hash: string;
}

/** How far the record has come now. */
export const sealedToNow = (store: Store): SealedTo => ({
  register: registerHead(store).n,
  events: store.get<{ n: number }>(sql`SELECT coalesce(max(n), 0) AS n FROM events`)?.n ?? 0,
});

/**
 * Every end begun by then, in the order it was begun, with the hash of what had last happened to it: of an end nothing
 * had happened to yet, of what it was started as.
 */
export const sealedEnds = (store: Store, { register, events }: SealedTo): Sealed[] =>
  store.all<Sealed>(sql`
    SELECT r.ref AS "end", coalesce(
      (SELECT e.hash FROM events e WHERE e.end_id = r.ref AND e.n <= ${events} ORDER BY e.seq DESC LIMIT 1),
      r.digest) AS hash
    FROM register r WHERE r.kind = 'end' AND r.n <= ${register} ORDER BY r.n`);

/** Hash of the register as it was at a line; empty where that line is gone. */
export const registerHashAt = (store: Store, n: number): string =>
  store.get<{ hash: string }>(sql`SELECT hash FROM register WHERE n = ${n}`)?.hash ?? "";

/** One figure for the whole record as it was: a tree over the register and every end. */
export const sealRoot = (ends: readonly Sealed[], registerHash: string): string =>
  treeRoot([`register ${registerHash}`, ...ends.map(({ end, hash }) => `${end} ${hash}`)]);
