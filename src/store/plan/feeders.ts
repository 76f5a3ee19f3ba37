import { and, asc, desc, eq, isNotNull, sql } from "drizzle-orm";
import { check, type FeederPlan, type JobId, zFeederPlan } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { feeders } from "../schema";

/** One revision of the plan of a feeder; without a body, the feeder was taken off the job. */
export type FeederRow = typeof feeders.$inferSelect;

/** The plan of a revision. @throws InputError where the feeder was taken off its job. */
export const feederPlanIn = ({ body }: Pick<FeederRow, "body">): FeederPlan =>
  check(zFeederPlan, JSON.parse(body ?? "null"));

/** The newest revision of a feeder, taken off or not. */
export const latestFeeder = (store: Store, feeder: string): FeederRow | undefined =>
  store
    .select()
    .from(feeders)
    .where(eq(feeders.feeder, feeder))
    .orderBy(desc(feeders.revision))
    .limit(1)
    .get();

/** Every feeder of a job as it is planned now, in the order they came. */
export const feedersOf = (store: Store, job: JobId): FeederRow[] =>
  store
    .select()
    .from(feeders)
    .where(
      and(
        eq(feeders.job, job),
        eq(
          feeders.revision,
          sql`(SELECT max(later.revision) FROM feeders AS later WHERE later.feeder = "feeders"."feeder")`,
        ),
        isNotNull(feeders.body),
      ),
    )
    .orderBy(asc(sql`(SELECT min(first.row) FROM feeders AS first WHERE first.feeder = "feeders"."feeder")`))
    .all();

/** Adds a revision of a feeder's plan. */
export function addFeederRow(store: Store, feeder: Omit<FeederRow, "row">): void {
  inTransaction(store, () => {
    const row = store.insert(feeders).values(feeder).returning().get();
    addToRegister(store, "feeder", String(row.row), digestOf(row));
  });
}
