import { randomUUID } from "node:crypto";
import { asc, desc, gt } from "drizzle-orm";
import { type Crew, type CrewEvent, type CrewRecorded, check, crewAfter, crewFrom, zCrewEvent } from "@/core";
import { canonical } from "../database/hash";
import { processWide } from "../database/process-wide";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { crewEvents } from "../schema";

type CrewRow = typeof crewEvents.$inferSelect;

const recordedIn = ({ body, ...row }: CrewRow): CrewRecorded => ({
  ...row,
  event: check(zCrewEvent, JSON.parse(body)),
});

const read = processWide("crew", () => new WeakMap<Store, { readonly n: number; readonly crew: Crew }>());

/** The crew as it stands; only events that came since are read. */
export function crewNow(store: Store): Crew {
  const before = read.get(store) ?? { n: 0, crew: crewFrom([]) };
  const since = store
    .select()
    .from(crewEvents)
    .where(gt(crewEvents.n, before.n))
    .orderBy(asc(crewEvents.n))
    .all()
    .map(recordedIn);
  if (since.length === 0) return before.crew;
  const crew = since.reduce(crewAfter, before.crew);
  // Within a transaction it may yet be taken back.
  if (!store.$client.inTransaction) read.set(store, { n: since.at(-1)?.n ?? before.n, crew });
  return crew;
}

/** The latest lines of the crew's log, newest first. */
export const latestCrewEvents = (store: Store, most: number): CrewRecorded[] =>
  store.select().from(crewEvents).orderBy(desc(crewEvents.n)).limit(most).all().map(recordedIn);

/** What a crew event is said by. */
interface CrewSaid {
  readonly at: string;
  readonly by: string | null;
  readonly device: string | null;
  readonly event: CrewEvent;
}

/** Adds to the crew's rules or its log. */
export function addCrewEvent(store: Store, { event, ...said }: CrewSaid): void {
  inTransaction(store, () => {
    const row = store
      .insert(crewEvents)
      .values({ ...said, id: randomUUID(), body: canonical(event) })
      .returning()
      .get();
    addToRegister(store, "crew", row.id, digestOf(row));
  });
}
