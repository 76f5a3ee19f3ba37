import { index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { EntryInput, KeptVerdict, Picked, Result, Rule } from "@/core";

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
  },
  (table) => [
    index("ends_by_sign").on(table.signedAt, table.id),
    index("ends_by_creation").on(table.createdAt, table.id),
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
  },
  (table) => [uniqueIndex("entries_by_end").on(table.endId, table.seq)],
);
