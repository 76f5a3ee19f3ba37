import { and, asc, count, desc, eq, isNotNull, lt, or, sql } from "drizzle-orm";
import { digestOf, enter } from "./register";
import { jobs, plans } from "./schema";
import type { Store } from "./store";
import { inTransaction } from "./transaction";

export type JobRow = typeof jobs.$inferSelect;

/** One revision of the plan of a piece; without a body, the piece was taken off the job. */
export type PlanRow = typeof plans.$inferSelect;

export const findJob = (store: Store, id: string): JobRow | undefined =>
  store.select().from(jobs).where(eq(jobs.id, id)).get();

export function insertJob(store: Store, row: JobRow): void {
  inTransaction(store, () => {
    store.insert(jobs).values(row).run();
    enter(store, "job", row.id, digestOf(row));
  });
}

/** The newest revision of each piece of a job, in the order the pieces came. */
const newestOf = (job: string) =>
  and(
    eq(plans.job, job),
    eq(
      plans.revision,
      sql`(SELECT max(later.revision) FROM ${plans} AS later WHERE later.piece = ${plans.piece})`,
    ),
    isNotNull(plans.body),
  );

/** The pieces of a job as they are planned now, in the order they came. */
export const plansOf = (store: Store, job: string): PlanRow[] =>
  store
    .select()
    .from(plans)
    .where(newestOf(job))
    .orderBy(asc(sql`(SELECT min(first.row) FROM ${plans} AS first WHERE first.piece = ${plans.piece})`))
    .all();

export const countPieces = (store: Store, job: string): number =>
  store.select({ n: count() }).from(plans).where(newestOf(job)).get()?.n ?? 0;

/** The newest revision of a piece's plan, taken off or not. */
export const latestPlan = (store: Store, piece: string): PlanRow | undefined =>
  store.select().from(plans).where(eq(plans.piece, piece)).orderBy(desc(plans.revision)).limit(1).get();

/** Adds a revision of a piece's plan. */
export function addPlan(store: Store, plan: Omit<PlanRow, "row">): void {
  inTransaction(store, () => {
    const row = store.insert(plans).values(plan).returning().get();
    enter(store, "plan", String(row.row), digestOf(row));
  });
}

/** Jobs, newest first, so many at a time. */
export const jobsFrom = (
  store: Store,
  before: { readonly createdAt: string; readonly id: string } | undefined,
  most: number,
): JobRow[] =>
  store
    .select()
    .from(jobs)
    .where(
      before &&
        or(
          lt(jobs.createdAt, before.createdAt),
          and(eq(jobs.createdAt, before.createdAt), lt(jobs.id, before.id)),
        ),
    )
    .orderBy(desc(jobs.createdAt), desc(jobs.id))
    .limit(most)
    .all();
