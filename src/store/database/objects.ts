import type Database from "better-sqlite3";

/** A table, index or view as a file describes it. */
export interface SchemaObject {
  readonly type: string;
  readonly name: string;
  readonly sql: string;
}

/** What is the matter with one: it is gone, says something else than it should, or is none of the record's. */
export interface ObjectOff {
  readonly type: string;
  readonly name: string;
  readonly fault: "missing" | "changed" | "strange";
}

/** Tables the copier of a standing copy keeps in the file it copies (Litestream 0.3.13). */
const COPIERS = ["_litestream_seq", "_litestream_lock"];

/** Tables that come and go: the library's own list of steps, and the note that a file is being migrated. */
const PASSING = ["__drizzle_migrations", "bringing"];

/** What a file has of tables, indexes and views, SQLite's own left out; triggers are guards. */
export const objectsIn = (database: Database.Database): SchemaObject[] =>
  database
    .prepare<[], SchemaObject>(
      "SELECT type, name, sql FROM sqlite_master WHERE type IN ('table', 'index', 'view') AND sql IS NOT NULL AND name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY type, name",
    )
    .all()
    .filter(({ name }) => ![...COPIERS, ...PASSING].includes(name));

/** A definition without what says nothing: quotation of names, spaces, a guard against making it twice. */
const plain = (words: string): string =>
  words
    .replace(/[`"]/g, "")
    .replace(/\bIF NOT EXISTS\b/i, "")
    .replace(/\s+/g, " ")
    .replace(/ ?([(),]) ?/g, "$1")
    .trim()
    .toLowerCase();

/** How what a file has differs from what it should have. */
export function objectsOff(there: readonly SchemaObject[], expected: readonly SchemaObject[]): ObjectOff[] {
  const byName = new Map(there.map((object) => [object.name, object]));
  const off = expected.flatMap(({ type, name, sql }): ObjectOff[] => {
    const object = byName.get(name);
    if (!object) return [{ type, name, fault: "missing" }];
    return object.type === type && plain(object.sql) === plain(sql) ? [] : [{ type, name, fault: "changed" }];
  });
  const names = new Set(expected.map(({ name }) => name));
  const strange = there
    .filter(({ name }) => !names.has(name))
    .map(({ type, name }): ObjectOff => ({ type, name, fault: "strange" }));
  return [...off, ...strange];
}
