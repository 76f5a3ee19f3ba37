import { sql } from "drizzle-orm";
import {
  type AnySQLiteColumn,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import type {
  Address,
  KeptVerdict,
  Picked,
  PlaceSide,
  Purpose,
  Result,
  Rule,
  RunTimer,
  Verdict,
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
    piece: text(),
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
        "batch",
        "study",
        "tool",
        "shelf",
        "person",
        "guards",
        "job",
        "plan",
        "closure",
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

/** A job: pieces of cable that belong together. Rows are only ever added. */
export const jobs = sqliteTable("jobs", {
  id: text().primaryKey(),
  createdAt: text("created_at").notNull(),
  name: text().notNull(),
  by: text(),
});

/** Every revision of the plan of every piece, newest last. Rows are only ever added. */
export const plans = sqliteTable(
  "plans",
  {
    row: integer().primaryKey({ autoIncrement: true }),
    piece: text().notNull(),
    job: text()
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
    closure: text().notNull(),
    job: text()
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

/** The user's own shelf: every revision of every document, newest last. Rows are only ever added. */
export const shelf = sqliteTable(
  "shelf",
  {
    row: integer().primaryKey({ autoIncrement: true }),
    kind: text({ enum: ["cable", "procedure", "entry"] }).notNull(),
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
    /** Their name as it was then, and who they are. */
    person: text().notNull(),
    by: text(),
    instrument: text().notNull(),
    /** Micrometres. */
    readings: text({ mode: "json" }).$type<readonly number[]>().notNull(),
    repeatability: integer().notNull(),
  },
  (table) => [
    index("studies_by_person").on(table.person, table.instrument, table.at),
    index("studies_by_hand").on(table.by, table.instrument, table.at),
  ],
);

/** Every reading there was, as its end's later events leave it. Follows from the events. */
export const readings = sqliteTable(
  "readings",
  {
    eventId: text("event_id").primaryKey(),
    endId: text("end_id").notNull(),
    check: text().notNull(),
    /** Micrometres. */
    value: integer().notNull(),
    instrument: text().notNull(),
    by: text(),
    at: text().notNull(),
    standing: text({ enum: ["stands", "void", "struck"] }).notNull(),
  },
  (table) => [index("readings_by_end").on(table.endId, table.check)],
);

/** Every length of every end: its limits, what it was judged to be, and how its first readings lay. Follows from the events. */
export const verdicts = sqliteTable(
  "verdicts",
  {
    endId: text("end_id").notNull(),
    check: text().notNull(),
    dimension: text().notNull(),
    name: text().notNull(),
    leg: text().notNull(),
    /** Micrometres. */
    nominal: integer().notNull(),
    min: integer(),
    max: integer(),
    /** The feature it is laid off to and the tool that makes it; null where the length follows from others. */
    makes: text(),
    tool: text(),
    readings: integer().notNull(),
    /** Micrometres, not rounded. */
    mean: real(),
    u: real(),
    probability: real(),
    verdict: text().$type<Verdict>(),
    /** Mean of what was read before anything was reworked, with a real instrument; micrometres. */
    firstMean: real("first_mean"),
  },
  (table) => [primaryKey({ columns: [table.endId, table.check] })],
);

/** Every retry, fresh start and rework. Follows from the events. */
export const attempts = sqliteTable(
  "attempts",
  {
    eventId: text("event_id").primaryKey(),
    endId: text("end_id").notNull(),
    kind: text({ enum: ["retry", "restart", "rework"] }).notNull(),
    /** The rule it counts against, if any. */
    rule: text(),
    leg: text().notNull(),
    at: text().notNull(),
    /** Micrometres. */
    cableLost: integer("cable_lost").notNull(),
    /** 1 where it was taken back at once, else 0. */
    takenBack: integer("taken_back").notNull(),
  },
  (table) => [index("attempts_by_end").on(table.endId)],
);

/** Everything used up: strokes of a blade by its tool, consumables. Follows from the events. */
export const uses = sqliteTable(
  "uses",
  {
    eventId: text("event_id").notNull(),
    place: integer().notNull(),
    endId: text("end_id").notNull(),
    tool: text(),
    item: text().notNull(),
    count: integer().notNull(),
    at: text().notNull(),
    purpose: text().$type<Purpose>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.eventId, table.place] }),
    index("uses_by_tool").on(table.tool, table.at),
    index("uses_by_end").on(table.endId),
  ],
);
