import { sql } from "drizzle-orm";
import {
  type AnySQLiteColumn,
  index,
  integer,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import type { EntryInput, KeptVerdict, Picked, Result, Rule, RunTimer } from "@/core";

/** Every document an end was ever made by, kept word for word under the hash of its text. */
export const documents = sqliteTable("documents", {
  hash: text().primaryKey(),
  kind: text({ enum: ["cable", "procedure", "tools"] }).notNull(),
  body: text().notNull(),
});

/** One end at the bench or on record. Job, label, result and sign-off follow from its entries. */
export const ends = sqliteTable(
  "ends",
  {
    id: text().primaryKey(),
    createdAt: text("created_at").notNull(),
    procedureHash: text("procedure_hash")
      .notNull()
      .references(() => documents.hash),
    cableHash: text("cable_hash")
      .notNull()
      .references(() => documents.hash),
    toolsHash: text("tools_hash")
      .notNull()
      .references(() => documents.hash),
    style: text().notNull(),
    styleName: text("style_name").notNull(),
    cableName: text("cable_name").notNull(),
    picked: text({ mode: "json" }).$type<Picked>().notNull(),
    rule: text({ mode: "json" }).$type<Rule>().notNull(),
    job: text().notNull().default(""),
    label: text().notNull().default(""),
    result: text().$type<Result>(),
    /** What each length was judged to be when the end was signed off. */
    verdicts: text({ mode: "json" }).$type<readonly KeptVerdict[]>(),
    signedBy: text("signed_by"),
    signedAt: text("signed_at"),
    batchId: text("batch_id").references((): AnySQLiteColumn => batches.id),
    /** Place in its batch, counted from 0. */
    batchPlace: integer("batch_place"),
    /** Line it stands at, and holds and cures not ended; both follow from its entries. */
    at: integer().notNull().default(0),
    timers: text({ mode: "json" }).$type<readonly RunTimer[]>(),
    /** Hash of its last entry: an entry taken off the end would show. Empty before the first. */
    lastHash: text("last_hash").notNull().default(""),
  },
  (table) => [
    index("ends_by_sign").on(table.signedAt, table.id),
    index("ends_by_creation").on(table.createdAt, table.id),
    index("ends_by_batch").on(table.batchId, table.batchPlace),
    index("ends_with_timers").on(table.id).where(sql`timers IS NOT NULL AND signed_at IS NULL`),
  ],
);

/** What happened to an end, in order. Rows are only ever added: the database refuses the rest. */
export const entries = sqliteTable(
  "entries",
  {
    id: text().primaryKey(),
    endId: text("end_id")
      .notNull()
      .references(() => ends.id),
    seq: integer().notNull(),
    at: text().notNull(),
    client: text().notNull(),
    entry: text({ mode: "json" }).$type<EntryInput>().notNull(),
    /** Hash of the entry before it on the same end, and of this one with that. */
    before: text().notNull().default(""),
    hash: text().notNull().default(""),
  },
  (table) => [
    uniqueIndex("entries_by_end").on(table.endId, table.seq),
    index("entries_by_tool")
      .on(sql`json_extract(entry, '$.tool')`, table.at)
      .where(sql`json_extract(entry, '$.kind') = 'use'`),
  ],
);

/** Many ends of one style, made together. */
export const batches = sqliteTable("batches", {
  id: text().primaryKey(),
  createdAt: text("created_at").notNull(),
  name: text().notNull(),
});

/** The user's own shelf: every revision of every document, newest last. Rows are only ever added. */
export const shelf = sqliteTable(
  "shelf",
  {
    row: integer().primaryKey({ autoIncrement: true }),
    kind: text({ enum: ["cable", "procedure"] }).notNull(),
    document: text().notNull(),
    revision: integer().notNull(),
    /** What it says; null where it was put away. */
    hash: text().references(() => documents.hash),
    at: text().notNull(),
    by: text().notNull().default(""),
    why: text().notNull().default(""),
  },
  (table) => [uniqueIndex("shelf_by_revision").on(table.kind, table.document, table.revision)],
);

/** A blade wiped, turned or changed. Rows are only ever added. */
export const toolEvents = sqliteTable(
  "tool_events",
  {
    id: text().primaryKey(),
    tool: text().notNull(),
    at: text().notNull(),
    action: text({ enum: ["wipe", "turn", "new"] }).notNull(),
  },
  (table) => [index("tool_events_by_tool").on(table.tool, table.at)],
);

/** One piece measured again and again: how an instrument repeats in somebody's hand. Rows are only ever added. */
export const studies = sqliteTable(
  "studies",
  {
    id: text().primaryKey(),
    at: text().notNull(),
    person: text().notNull(),
    instrument: text().notNull(),
    /** Micrometres. */
    readings: text({ mode: "json" }).$type<readonly number[]>().notNull(),
    repeatability: integer().notNull(),
  },
  (table) => [index("studies_by_person").on(table.person, table.instrument, table.at)],
);
