import { sql } from "drizzle-orm";
import type { EndId } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, registerLines } from "./register";

/** What the line is about that says all ends' heads were entered. */
const ALL = "all";

/**
 * Enters how far an end's chain has come: the hash of its last event. Whoever takes events off the end of its history and
 * puts its row in order has the register against them.
 */
export const enterHead = (store: Store, end: EndId, hash: string): void =>
  addToRegister(store, "head", end, hash);

/** The heads the register knows of an end, in the order they were entered. */
export const headsOf = (store: Store, end: EndId): string[] =>
  registerLines(store, "head", end).map(({ digest }) => digest);

/** Whether the heads of all ends are in the register: files of before have none until they are served again. */
export const hasHeads = (store: Store): boolean => registerLines(store, "heads", ALL).length > 0;

/** Enters the heads of a file of before, once: what its ends say then is taken as it stands. */
export function enterHeads(store: Store): void {
  if (hasHeads(store)) return;
  inTransaction(store, () => {
    const ends = store.all<{ id: string; hash: string }>(
      sql`SELECT id, last_hash AS hash FROM ends WHERE EXISTS (SELECT 1 FROM events WHERE end_id = ends.id) ORDER BY created_at, id`,
    );
    for (const { id, hash } of ends) enterHead(store, id, hash);
    addToRegister(store, "heads", ALL, "");
  });
}
