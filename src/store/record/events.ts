import { and, asc, desc, eq, gt, sql } from "drizzle-orm";
import { z } from "zod";
import type { EndId } from "@/core";
import {
  type EndEvent,
  EVENT_VERSION,
  type Judged,
  type Purpose,
  type Recorded,
  readEvent,
  zEnvelope,
} from "@/core";
import { canonical } from "../database/hash";
import { placeholdersOf, prepared } from "../database/prepared";
import type { Store } from "../database/store";
import { ends, events } from "../schema";
import { eventHash } from "./chain";

/** An end's events after a sequence number, in order, each lifted to the newest version. */
export const eventsAfter = (store: Store, endId: EndId, after = 0): Recorded[] =>
  store
    .select()
    .from(events)
    .where(and(eq(events.endId, endId), gt(events.seq, after)))
    .orderBy(asc(events.seq))
    .all()
    .map(readEvent);

const eventById = prepared((store) =>
  store
    .select()
    .from(events)
    .where(eq(events.id, sql.placeholder("id")))
    .prepare(),
);

export function findEvent(store: Store, id: string): { endId: EndId; event: Recorded["event"] } | undefined {
  const row = eventById(store).get({ id });
  return row && { endId: row.endId, event: readEvent(row).event };
}

/** An event to be written: what is known of it. */
interface NewEvent {
  readonly id: string;
  readonly end: EndId;
  readonly seq: number;
  readonly at: string;
  readonly by: string | null;
  readonly client: string;
  readonly purpose: Purpose;
  readonly event: EndEvent;
  readonly judged?: Judged | undefined;
}

const insert = prepared((store) => {
  const { n: _, ...row } = placeholdersOf(events);
  return store.insert(events).values(row).prepare();
});

/** Adds an event, chained to the one before it. @param before hash of that one. @returns its own hash. */
export function insertEvent(store: Store, newEvent: NewEvent, before: string): string {
  const { judged, ...said } = newEvent;
  const body = canonical(z.encode(zEnvelope, { v: EVENT_VERSION, ...said, ...(judged ? { judged } : {}) }));
  const row = {
    id: newEvent.id,
    endId: newEvent.end,
    seq: newEvent.seq,
    v: EVENT_VERSION,
    at: newEvent.at,
    client: newEvent.client,
    body,
    before,
  };
  const hash = eventHash(row);
  insert(store).run({ ...row, hash });
  return hash;
}

/** Adds an event of another record's, word for word under the hashes it had there; its end is set to it. */
export function insertEventRow(store: Store, row: Omit<typeof events.$inferSelect, "n">): void {
  insert(store).run(row);
  store.update(ends).set({ lastHash: row.hash }).where(eq(ends.id, row.endId)).run();
}

/** When the last event of all came in, as its time was written; undefined where there is none. */
export const lastEventAt = (store: Store): string | undefined =>
  store.select({ at: events.at }).from(events).orderBy(desc(events.n)).limit(1).get()?.at;
