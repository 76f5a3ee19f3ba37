import { sql } from "drizzle-orm";
import {
  type AnySQLiteColumn,
  index,
  integer,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import type {
  Address,
  EndId,
  KeptVerdict,
  Picked,
  PieceId,
  PlaceSide,
  Purpose,
  Result,
  Rule,
  RunTimer,
} from "@/core";

/** What holds for the whole file: what was lifted from, and that it was. */
export const meta = sqliteTable("meta", { key: text().primaryKey(), value: text().notNull() });

/** Every document an end was ever made by, kept word for word under the hash of its text. */
export const documents = sqliteTable("documents", {
  hash: text().primaryKey(),
  kind: text({ enum: ["cable", "procedure", "entry", "tools", "sheet"] }).notNull(),
  body: text().notNull(),
  /** Version of the schema its text is written by. */
  v: integer().notNull().default(1),
});

/** One end at the bench or on record. What is in no founding follows from its events. */
export const ends = sqliteTable(
  "ends",
  {
    id: text().$type<EndId>().primaryKey(),
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
    /** The compiled sheet it is worked by; null only where an old end's could not be compiled any more. */
    sheetHash: text("sheet_hash").references(() => documents.hash),
    /** What compiled it. */
    program: text().notNull().default(""),
    purpose: text().$type<Purpose>().notNull().default("work"),
    /** What it was started as, canonical JSON under its version; null for version 1, whose columns say it. */
    founding: text(),
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
    /** Id of the person who signed it off. */
    signer: text(),
    batchId: text("batch_id").references((): AnySQLiteColumn => batches.id),
    /** Place in its batch, counted from 0. */
    batchPlace: integer("batch_place"),
    /** Where it is made: a piece as planned in a revision, a side of it or a station on it, an address in its cable; null for an end by itself. */
    piece: text().$type<PieceId>(),
    plan: integer(),
    side: text().$type<PlaceSide>(),
    address: text({ mode: "json" }).$type<Address>(),
    /** Line it stands at, and holds and cures not ended; both follow from its events. */
    at: integer().notNull().default(0),
    timers: text({ mode: "json" }).$type<readonly RunTimer[]>(),
    /** Hash of its last event: an event taken off the end would show. */
    lastHash: text("last_hash").notNull().default(""),
  },
  (table) => [
    // All the ledger asks of an end before it is shown, so that looking for some reads no others.
    index("ends_on_record")
      .on(
        table.purpose,
        table.signedAt,
        table.id,
        table.result,
        table.style,
        table.styleName,
        table.cableName,
        table.job,
        table.label,
        table.signedBy,
      )
      .where(sql`signed_at IS NOT NULL`),
    index("ends_at_bench").on(table.createdAt, table.id, table.batchId).where(sql`signed_at IS NULL`),
    index("ends_open_of_batch").on(table.batchId, table.createdAt, table.id).where(sql`signed_at IS NULL`),
    index("ends_by_place")
      .on(table.piece, table.side, table.address, table.createdAt, table.id)
      .where(sql`piece IS NOT NULL`),
    index("ends_by_batch").on(table.batchId, table.batchPlace),
    index("ends_by_signer").on(table.signer, table.signedAt),
    index("ends_with_timers").on(table.id).where(sql`timers IS NOT NULL AND signed_at IS NULL`),
  ],
);

/** What happened to an end, in order. Rows are only ever added: the database refuses the rest. */
export const events = sqliteTable(
  "events",
  {
    /** The order in which events came in, over all ends. */
    n: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull(),
    endId: text("end_id")
      .$type<EndId>()
      .notNull()
      .references(() => ends.id),
    seq: integer().notNull(),
    /** Version it is written by: of 1 the body is the event, later it is the whole envelope. */
    v: integer().notNull(),
    at: text().notNull(),
    client: text().notNull(),
    body: text().notNull(),
    /** Hash of the event before it on the same end, and of this one with that. */
    before: text().notNull(),
    hash: text().notNull(),
  },
  (table) => [
    uniqueIndex("events_by_id").on(table.id),
    uniqueIndex("events_by_end").on(table.endId, table.seq),
  ],
);

/** What else is only ever added, each row under a hash with the row before it: what is taken out leaves a gap. */
export const register = sqliteTable(
  "register",
  {
    n: integer().primaryKey({ autoIncrement: true }),
    kind: text({
      enum: [
        "file",
        "document",
        "end",
        "signed",
        "head",
        "heads",
        "batch",
        "study",
        "tool",
        "shelf",
        "person",
        "guards",
        "job",
        "plan",
        "closure",
        "closure-event",
        "crew",
        "feeder",
        "light-reference",
        "tool-check",
      ],
    }).notNull(),
    /** The row it is about. */
    ref: text().notNull(),
    /** Hash of what that row says. */
    digest: text().notNull(),
    before: text().notNull(),
    hash: text().notNull(),
  },
  (table) => [index("register_by_ref").on(table.kind, table.ref)],
);

/** People: who came, under what name, and which two are the same. Rows are only ever added. */
export const peopleEvents = sqliteTable("people_events", {
  n: integer().primaryKey({ autoIncrement: true }),
  id: text().notNull().unique(),
  at: text().notNull(),
  /** Who said so; null where nobody had been picked yet. */
  by: text(),
  kind: text({ enum: ["add", "rename", "merge"] }).notNull(),
  person: text().notNull(),
  /** Their name, or what they are called from now on; of a merge, empty. */
  name: text().notNull().default(""),
  /** Of a merge: whom they turned out to be. */
  into: text(),
});

/** Many ends of one style, made together. */
export const batches = sqliteTable("batches", {
  id: text().primaryKey(),
  createdAt: text("created_at").notNull(),
  name: text().notNull(),
});
