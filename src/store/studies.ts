import { desc, eq } from "drizzle-orm";
import type { Store } from "./database";
import { studies } from "./schema";

export type StudyRow = typeof studies.$inferSelect;

/** Adds a study; adding the same id again changes nothing. */
export function insertStudy(store: Store, row: typeof studies.$inferInsert): void {
  store.insert(studies).values(row).onConflictDoNothing().run();
}

export const findStudy = (store: Store, id: string): StudyRow | undefined =>
  store.select().from(studies).where(eq(studies.id, id)).get();

/** Studies, newest first. */
export const allStudies = (store: Store, most: number): StudyRow[] =>
  store.select().from(studies).orderBy(desc(studies.at)).limit(most).all();
