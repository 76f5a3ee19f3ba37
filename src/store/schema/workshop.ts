import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { documents } from "./record";

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

/** Changes to how a crew lets people work, and its log. Rows are only ever added. */
export const crewEvents = sqliteTable(
  "crew_events",
  {
    n: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull(),
    at: text().notNull(),
    by: text(),
    device: text(),
    /** The event as canonical JSON. */
    body: text().notNull(),
  },
  (table) => [uniqueIndex("crew_events_by_id").on(table.id)],
);

/** References of light taken by anybody of the crew. Rows are only ever added. */
export const lightReferences = sqliteTable(
  "light_references",
  {
    n: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull(),
    at: text().notNull(),
    by: text(),
    /** Number of the newest event on record then: only later ones can be readings made with it. */
    eventsBefore: integer("events_before").notNull(),
    /** The reference as JSON. */
    body: text().notNull(),
  },
  (table) => [uniqueIndex("light_references_by_id").on(table.id)],
);

/** Checks of tools before the first strip of a shift. Rows are only ever added. */
export const toolChecks = sqliteTable(
  "tool_checks",
  {
    n: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull(),
    at: text().notNull(),
    by: text(),
    tool: text().notNull(),
    /** Answers or readings and their verdict, the check that is taken back, or a lot that was opened; JSON. */
    body: text().notNull(),
  },
  (table) => [
    uniqueIndex("tool_checks_by_id").on(table.id),
    index("tool_checks_by_tool").on(table.tool, table.at),
  ],
);

/** Results of drills. They are no record: who practised may have them removed. */
export const drillResults = sqliteTable(
  "drill_results",
  {
    n: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull(),
    at: text().notNull(),
    person: text().notNull(),
    task: text().notNull(),
    good: integer({ mode: "boolean" }).notNull(),
    seconds: integer().notNull(),
  },
  (table) => [
    uniqueIndex("drill_results_by_id").on(table.id),
    index("drill_results_by_person").on(table.person, table.n),
  ],
);
