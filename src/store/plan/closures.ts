import { and, asc, desc, eq, isNotNull, sql } from "drizzle-orm";
import { z } from "zod";
import type { JobId } from "@/core";
import { type ClosurePlan, check, liftedClosure, zClosurePlan } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { closures } from "../schema";

/** One revision of the plan of a closure; without a body, the closure was taken off the job. */
export type ClosureRow = typeof closures.$inferSelect;

/** The plan of a revision. @throws InputError where the closure was taken off its job. */
export const closurePlanIn = ({ body }: Pick<ClosureRow, "body">): ClosurePlan =>
  check(zClosurePlan, liftedClosure(JSON.parse(body ?? "null")));

/** A plan as a revision keeps it. */
export const closureText = (plan: ClosurePlan): string => JSON.stringify(z.encode(zClosurePlan, plan));

/** The newest revision of a closure, taken off or not. */
export const latestClosure = (store: Store, closure: string): ClosureRow | undefined =>
  store
    .select()
    .from(closures)
    .where(eq(closures.closure, closure))
    .orderBy(desc(closures.revision))
    .limit(1)
    .get();

/** A revision of a closure's plan. */
export const closureAt = (store: Store, closure: string, revision: number): ClosureRow | undefined =>
  store
    .select()
    .from(closures)
    .where(and(eq(closures.closure, closure), eq(closures.revision, revision)))
    .get();

/** Every closure of a job as it is planned now, in the order they came. */
export const closuresOf = (store: Store, job: JobId): ClosureRow[] =>
  store
    .select()
    .from(closures)
    .where(
      and(
        eq(closures.job, job),
        eq(
          closures.revision,
          sql`(SELECT max(later.revision) FROM closures AS later WHERE later.closure = "closures"."closure")`,
        ),
        isNotNull(closures.body),
      ),
    )
    .orderBy(
      asc(sql`(SELECT min(first.row) FROM closures AS first WHERE first.closure = "closures"."closure")`),
    )
    .all();

/** The closures that were changed last, over all jobs, as they are planned now. */
export const latestClosures = (store: Store, most: number): ClosureRow[] =>
  store
    .select()
    .from(closures)
    .where(
      and(
        eq(
          closures.revision,
          sql`(SELECT max(later.revision) FROM closures AS later WHERE later.closure = "closures"."closure")`,
        ),
        isNotNull(closures.body),
      ),
    )
    .orderBy(desc(closures.row))
    .limit(most)
    .all();

/** Adds a revision of a closure's plan. */
export function addClosureRow(store: Store, closure: Omit<ClosureRow, "row">): void {
  inTransaction(store, () => {
    const row = store.insert(closures).values(closure).returning().get();
    addToRegister(store, "closure", String(row.row), digestOf(row));
  });
}
