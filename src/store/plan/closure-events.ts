import { asc, desc, eq, gt } from "drizzle-orm";
import { type ClosureId, type ClosureRecorded, check, zClosureEvent } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { closureEvents } from "../schema";

/** One event of a closure's work, as it lies in the file. */
type ClosureEventRow = typeof closureEvents.$inferSelect;

const recordedIn = ({ id, n, at, by, body }: ClosureEventRow): ClosureRecorded => ({
  id,
  n,
  at,
  by,
  event: check(zClosureEvent, JSON.parse(body)),
});

/** All that happened to a closure, in order. */
export const closureEventsOf = (store: Store, closure: ClosureId): ClosureRecorded[] =>
  store
    .select()
    .from(closureEvents)
    .where(eq(closureEvents.closure, closure))
    .orderBy(asc(closureEvents.n))
    .all()
    .map(recordedIn);

/** Events of every closure after a time, newest first. */
export const closureEventsSince = (
  store: Store,
  after: string,
  most: number,
): (ClosureRecorded & { readonly closure: ClosureId })[] =>
  store
    .select()
    .from(closureEvents)
    .where(gt(closureEvents.at, after))
    .orderBy(desc(closureEvents.n))
    .limit(most)
    .all()
    .map((row) => ({ ...recordedIn(row), closure: row.closure }));

/** The event of an id, with the closure it happened to. */
export function findClosureEvent(store: Store, id: string): { closure: ClosureId; body: string } | undefined {
  return store
    .select({ closure: closureEvents.closure, body: closureEvents.body })
    .from(closureEvents)
    .where(eq(closureEvents.id, id))
    .get();
}

/** Adds an event to a closure's work. */
export function addClosureEvent(store: Store, event: Omit<ClosureEventRow, "n">): void {
  inTransaction(store, () => {
    const row = store.insert(closureEvents).values(event).returning().get();
    addToRegister(store, "closure-event", row.id, digestOf(row));
  });
}
