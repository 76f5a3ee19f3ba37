import type Database from "better-sqlite3";
import { getTableColumns, getTableName, is } from "drizzle-orm";
import { SQLiteTable } from "drizzle-orm/sqlite-core";
import * as schema from "../schema";

/** The tables of a whole database, with their columns. */
const TABLES = Object.values(schema)
  .filter((table) => is(table, SQLiteTable))
  .map((table) => ({
    name: getTableName(table),
    columns: Object.values(getTableColumns(table)).map((column) => column.name),
  }));

/** What a database lacks that every one of this schema has: tables and columns, by name. */
export function missingTables(database: Database.Database): string[] {
  return TABLES.flatMap(({ name, columns }) => {
    const there = database
      .prepare<[string], { name: string }>("SELECT name FROM pragma_table_info(?)")
      .all(name)
      .map((column) => column.name);
    if (there.length === 0) return [`table ${name}`];
    return columns.filter((column) => !there.includes(column)).map((column) => `column ${name}.${column}`);
  });
}
