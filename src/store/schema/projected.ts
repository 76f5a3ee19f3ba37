import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { EndId, Purpose, Verdict } from "@/core";

/** Every reading there was, as its end's later events leave it. Follows from the events. */
export const readings = sqliteTable(
  "readings",
  {
    eventId: text("event_id").primaryKey(),
    endId: text("end_id").$type<EndId>().notNull(),
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
    endId: text("end_id").$type<EndId>().notNull(),
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
    endId: text("end_id").$type<EndId>().notNull(),
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
    endId: text("end_id").$type<EndId>().notNull(),
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
