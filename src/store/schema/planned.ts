import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { ClosureId, FeederId, JobId, PieceId } from "@/core";

/** A job: pieces of cable that belong together. Rows are only ever added. */
export const jobs = sqliteTable("jobs", {
  id: text().$type<JobId>().primaryKey(),
  createdAt: text("created_at").notNull(),
  name: text().notNull(),
  by: text(),
});

/** Every revision of the plan of every piece, newest last. Rows are only ever added. */
export const plans = sqliteTable(
  "plans",
  {
    row: integer().primaryKey({ autoIncrement: true }),
    piece: text().$type<PieceId>().notNull(),
    job: text()
      .$type<JobId>()
      .notNull()
      .references(() => jobs.id),
    /** From 1. */
    revision: integer().notNull(),
    /** What it is called, and how many ends are planned: what lists are found and counted by. */
    name: text().notNull(),
    ends: integer().notNull(),
    /** What is planned, as it travels; null where the piece was taken off the job. */
    body: text(),
    at: text().notNull(),
    by: text(),
  },
  (table) => [
    uniqueIndex("plans_by_revision").on(table.piece, table.revision),
    index("plans_by_job").on(table.job, table.piece, table.revision),
  ],
);

/** Every revision of the plan of every closure, newest last. Rows are only ever added. */
export const closures = sqliteTable(
  "closures",
  {
    row: integer().primaryKey({ autoIncrement: true }),
    closure: text().$type<ClosureId>().notNull(),
    job: text()
      .$type<JobId>()
      .notNull()
      .references(() => jobs.id),
    /** From 1. */
    revision: integer().notNull(),
    /** What is planned, as it travels; null where the closure was taken off the job. */
    body: text(),
    at: text().notNull(),
    by: text(),
  },
  (table) => [
    uniqueIndex("closures_by_revision").on(table.closure, table.revision),
    index("closures_by_job").on(table.job, table.closure, table.revision),
  ],
);

/** What happened to a closure as it was worked at, in order. Rows are only ever added. */
export const closureEvents = sqliteTable(
  "closure_events",
  {
    n: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull(),
    closure: text().$type<ClosureId>().notNull(),
    at: text().notNull(),
    by: text(),
    client: text().notNull(),
    /** The event, as it travels. */
    body: text().notNull(),
  },
  (table) => [
    uniqueIndex("closure_events_by_id").on(table.id),
    index("closure_events_by_closure").on(table.closure, table.n),
  ],
);

/** Every revision of the plan of every feeder, newest last. Rows are only ever added. */
export const feeders = sqliteTable(
  "feeders",
  {
    row: integer().primaryKey({ autoIncrement: true }),
    feeder: text().$type<FeederId>().notNull(),
    job: text()
      .$type<JobId>()
      .notNull()
      .references(() => jobs.id),
    /** From 1. */
    revision: integer().notNull(),
    /** The plan as JSON; null where the feeder was taken off the job. */
    body: text(),
    at: text().notNull(),
    by: text(),
  },
  (table) => [
    uniqueIndex("feeders_by_revision").on(table.feeder, table.revision),
    index("feeders_by_job").on(table.job, table.feeder, table.revision),
  ],
);
