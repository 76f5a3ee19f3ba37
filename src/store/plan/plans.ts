import { and, asc, count, desc, eq, getTableColumns, isNotNull, lt, or, sql } from "drizzle-orm";
import { z } from "zod";
import type { JobId, PieceId } from "@/core";
import {
  type Address,
  check,
  DONE,
  liftedPlan,
  type PiecePlan,
  type PlaceSide,
  type PlaceStanding,
  zAddress,
  zPiecePlan,
} from "@/core";
import { holding } from "../database/like";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { ends, jobs, plans } from "../schema";

type JobRow = typeof jobs.$inferSelect;

/** One revision of the plan of a piece; without a body, the piece was taken off the job. */
export type PlanRow = typeof plans.$inferSelect;

/** The plan of a revision. @throws InputError where the piece was taken off the job, or its plan is none any more. */
export const planIn = ({ body }: Pick<PlanRow, "body">): PiecePlan =>
  check(zPiecePlan, liftedPlan(JSON.parse(body ?? "null")));

/** A plan as a revision keeps it. */
export const planText = (plan: PiecePlan): string => JSON.stringify(z.encode(zPiecePlan, plan));

export const findJob = (store: Store, id: JobId): JobRow | undefined =>
  store.select().from(jobs).where(eq(jobs.id, id)).get();

export function insertJob(store: Store, row: JobRow): void {
  inTransaction(store, () => {
    store.insert(jobs).values(row).run();
    addToRegister(store, "job", row.id, digestOf(row));
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

/** What a list of pieces is found by. */
interface PieceFilter {
  /** Words that all stand in its name. */
  readonly words: readonly string[];
  /** The first row of the last piece already seen. */
  readonly after: number | undefined;
}

/** The first row of a piece; its outer column stands by its whole name, which a list of columns would leave out. */
const FIRST = sql<number>`(SELECT min(first.row) FROM plans AS first WHERE first.piece = "plans"."piece")`;

const named = (words: readonly string[]) =>
  words.map((word) => sql`${plans.name} LIKE ${holding(word)} ESCAPE '\\'`);

/** Pieces of a job as they are planned now, in the order they came, so many at a time; each with its first row. */
export const piecesFrom = (
  store: Store,
  job: string,
  { words, after }: PieceFilter,
  most: number,
): (PlanRow & { readonly first: number })[] =>
  store
    .select({ ...getTableColumns(plans), first: FIRST })
    .from(plans)
    .where(and(newestOf(job), ...named(words), after === undefined ? undefined : sql`${FIRST} > ${after}`))
    .orderBy(asc(FIRST))
    .limit(most)
    .all();

/** How many pieces and ends are planned of a job, all or those of some words. */
export const countPlanned = (
  store: Store,
  job: string,
  words: readonly string[] = [],
): { pieces: number; ends: number } =>
  store
    .select({ pieces: count(), ends: sql<number>`coalesce(sum(${plans.ends}), 0)` })
    .from(plans)
    .where(and(newestOf(job), ...named(words)))
    .get() ?? { pieces: 0, ends: 0 };

const isWork = sql`${ends.purpose} = 'work' AND coalesce(${ends.result}, '') <> 'discarded'`;

/** Where each end of a job's pieces was made, as it is written, and the row of the piece's plan as it is now. */
export const endsMadeAt = (
  store: Store,
  job: string,
): { id: string; side: PlaceSide; address: Address; plan: number }[] =>
  store
    .all<{ id: string; side: PlaceSide; address: string; plan: number }>(sql`
    SELECT ${ends.id} AS id, ${ends.side} AS side, ${ends.address} AS address, now.row AS plan
    FROM (SELECT piece, row FROM ${plans} WHERE ${newestOf(job)}) AS now
    INNER JOIN ${ends} ON ${ends.piece} = now.piece WHERE ${isWork}`)
    .map((row) => ({ ...row, address: check(zAddress, JSON.parse(row.address)) }));

/** A row of plans. */
export const planRow = (store: Store, row: number): PlanRow | undefined =>
  store.select().from(plans).where(eq(plans.row, row)).get();

/** The newest end of each place of a job's pieces, but what was begun by mistake and what lies astray. */
const newestEnds = (job: string, strays: readonly string[]) => sql`
  SELECT piece, result, created FROM (
    SELECT ${ends.piece} AS piece, ${ends.result} AS result, ${ends.createdAt} AS created, row_number() OVER (
      PARTITION BY ${ends.piece}, ${ends.side}, ${ends.address} ORDER BY ${ends.createdAt} DESC, ${ends.id} DESC
    ) AS back
    FROM ${ends} INNER JOIN ${plans} ON ${plans.piece} = ${ends.piece}
    WHERE ${newestOf(job)} AND ${isWork}
      AND ${ends.id} NOT IN (SELECT value FROM json_each(${JSON.stringify(strays)}))
  ) WHERE back = 1`;

/** How many ends of a job stand how. @param strays ends that lie where nothing is planned. */
export const endCountsOf = (
  store: Store,
  job: string,
  strays: readonly string[],
): { standing: PlaceStanding; n: number }[] =>
  store.all(sql`
    SELECT coalesce(result, 'bench') AS standing, count(*) AS n FROM (${newestEnds(job, strays)}) GROUP BY standing`);

/**
 * Pieces of a job with fewer good ends than planned, so many: those with an end at the bench first, the newest foremost.
 * @param strays ends that lie where nothing is planned.
 */
export const piecesToGoOn = (store: Store, job: JobId, most: number, strays: readonly string[]): string[] =>
  store
    .all<{ piece: PieceId }>(sql`
    WITH standing AS (
      SELECT piece, count(*) FILTER (WHERE result IN ${[...DONE]}) AS good,
        max(iif(result IS NULL, created, NULL)) AS open
      FROM (${newestEnds(job, strays)}) GROUP BY piece
    )
    SELECT ${plans.piece} AS piece FROM ${plans} LEFT JOIN standing ON standing.piece = ${plans.piece}
    WHERE ${newestOf(job)} AND ${plans.ends} > coalesce(standing.good, 0)
    ORDER BY standing.open IS NULL, standing.open DESC, ${FIRST}
    LIMIT ${most}`)
    .map(({ piece }) => piece);

/** The newest revision of a piece's plan, taken off or not. */
export const latestPlan = (store: Store, piece: PieceId): PlanRow | undefined =>
  store.select().from(plans).where(eq(plans.piece, piece)).orderBy(desc(plans.revision)).limit(1).get();

/** A revision of a piece's plan. */
export const planAt = (store: Store, piece: PieceId, revision: number): PlanRow | undefined =>
  store
    .select()
    .from(plans)
    .where(and(eq(plans.piece, piece), eq(plans.revision, revision)))
    .get();

/** Adds a revision of a piece's plan. */
export function addPlan(store: Store, plan: Omit<PlanRow, "row">): void {
  inTransaction(store, () => {
    const row = store.insert(plans).values(plan).returning().get();
    addToRegister(store, "plan", String(row.row), digestOf(row));
  });
}

/** Jobs in whose name some words stand, newest first, so many at a time. */
export const jobsFrom = (
  store: Store,
  before: { readonly createdAt: string; readonly id: string } | undefined,
  words: readonly string[],
  most: number,
): JobRow[] =>
  store
    .select()
    .from(jobs)
    .where(
      and(
        ...words.map((word) => sql`${jobs.name} LIKE ${holding(word)} ESCAPE '\\'`),
        before &&
          or(
            lt(jobs.createdAt, before.createdAt),
            and(eq(jobs.createdAt, before.createdAt), lt(jobs.id, before.id)),
          ),
      ),
    )
    .orderBy(desc(jobs.createdAt), desc(jobs.id))
    .limit(most)
    .all();
