import { desc, eq, inArray } from "drizzle-orm";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { studies } from "../schema";

export type StudyRow = typeof studies.$inferSelect;

/** Adds a study; adding the same id again changes nothing. */
export function insertStudy(store: Store, row: StudyRow): void {
  inTransaction(store, () => {
    if (findStudy(store, row.id)) return;
    store.insert(studies).values(row).run();
    addToRegister(store, "study", row.id, digestOf(row));
  });
}

const findStudy = (store: Store, id: string): StudyRow | undefined =>
  store.select().from(studies).where(eq(studies.id, id)).get();

/** Studies of some people, by their ids, newest first. */
export const studiesBy = (store: Store, people: readonly string[], most: number): StudyRow[] =>
  store
    .select()
    .from(studies)
    .where(inArray(studies.by, [...people]))
    .orderBy(desc(studies.at))
    .limit(most)
    .all();

/** Studies, newest first. */
export const allStudies = (store: Store, most: number): StudyRow[] =>
  store.select().from(studies).orderBy(desc(studies.at)).limit(most).all();
