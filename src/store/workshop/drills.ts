import { asc, desc, eq, inArray } from "drizzle-orm";
import type { DrillResultRow } from "@/core";
import type { Store } from "../database/store";
import { drillResults } from "../schema";

/** Adds the result of a drill; adding the same id again changes nothing. */
export function insertDrillResult(store: Store, row: Omit<typeof drillResults.$inferSelect, "n">): void {
  store.insert(drillResults).values(row).onConflictDoNothing({ target: drillResults.id }).run();
}

/** The last results of some people, by their ids, in the order they came. */
export const drillResultsBy = (store: Store, people: readonly string[], most: number): DrillResultRow[] =>
  store
    .select({
      id: drillResults.id,
      at: drillResults.at,
      task: drillResults.task,
      good: drillResults.good,
      seconds: drillResults.seconds,
    })
    .from(drillResults)
    .where(inArray(drillResults.person, [...people]))
    .orderBy(desc(drillResults.n))
    .limit(most)
    .all()
    .reverse();

/** Everybody who has practised. */
export const drilled = (store: Store): string[] =>
  store
    .selectDistinct({ person: drillResults.person })
    .from(drillResults)
    .orderBy(asc(drillResults.person))
    .all()
    .map(({ person }) => person);

/** Removes every result of a person. @returns their number. */
export const removeDrillResults = (store: Store, person: string): number =>
  store.delete(drillResults).where(eq(drillResults.person, person)).run().changes;
