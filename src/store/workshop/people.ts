import { asc } from "drizzle-orm";
import { type Person, peopleFrom } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { peopleEvents } from "../schema";

type PeopleRow = Omit<typeof peopleEvents.$inferSelect, "n">;

/** Everything ever said of people, in order. */
export const peopleRows = (store: Store): PeopleRow[] =>
  store
    .select()
    .from(peopleEvents)
    .orderBy(asc(peopleEvents.n))
    .all()
    .map(({ n: _, ...row }) => row);

/** Everybody, merged people once. */
export const allPeople = (store: Store): Person[] => peopleFrom(peopleRows(store));

/** Adds what is said of a person. */
export function insertPeopleEvent(store: Store, row: PeopleRow): void {
  inTransaction(store, () => {
    store.insert(peopleEvents).values(row).run();
    addToRegister(store, "person", row.id, digestOf(row));
  });
}
