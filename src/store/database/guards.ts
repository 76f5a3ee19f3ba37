import type Database from "better-sqlite3";
import { sql } from "drizzle-orm";
import type { Store } from "./store";

interface Guard {
  readonly name: string;
  readonly sql: string;
}

/** Refuses changing, deleting and replacing the rows of a table that is only ever added to. */
const stored = (table: string, same: string, message: string): Guard[] => [
  {
    name: `${table}_keep_rows`,
    sql: `CREATE TRIGGER ${table}_keep_rows BEFORE DELETE ON ${table} BEGIN SELECT RAISE(ABORT, '${message}'); END`,
  },
  {
    name: `${table}_keep_words`,
    sql: `CREATE TRIGGER ${table}_keep_words BEFORE UPDATE ON ${table} BEGIN SELECT RAISE(ABORT, '${message}'); END`,
  },
  {
    // REPLACE takes the old row away without any trigger of deletion firing.
    name: `${table}_keep_place`,
    sql: `CREATE TRIGGER ${table}_keep_place BEFORE INSERT ON ${table} WHEN EXISTS (SELECT 1 FROM ${table} WHERE ${same}) BEGIN SELECT RAISE(ABORT, '${message}'); END`,
  },
];

/** Columns of an end that say what it was started as. */
const FOUNDED =
  "id, created_at, procedure_hash, cable_hash, tools_hash, sheet_hash, program, purpose, founding, style, style_name, cable_name, picked, rule, batch_id, batch_place, piece, plan, side, address";

/** The triggers that keep the record: what the file must have, word for word. */
export const GUARDS: readonly Guard[] = [
  ...stored(
    "events",
    "n = NEW.n OR id = NEW.id OR (end_id = NEW.end_id AND seq = NEW.seq)",
    "events are only ever added",
  ),
  ...stored("meta", "key = NEW.key", "what the file was lifted from is kept"),
  ...stored("documents", "hash = NEW.hash", "documents are kept word for word"),
  ...stored("register", "n = NEW.n", "the register is only ever added to"),
  ...stored("people_events", "n = NEW.n OR id = NEW.id", "what is said of people is only ever added"),
  ...stored(
    "shelf",
    "row = NEW.row OR (kind = NEW.kind AND document = NEW.document AND revision = NEW.revision)",
    "revisions are only ever added",
  ),
  ...stored("tool_events", "id = NEW.id", "what was done to a tool is only ever added"),
  ...stored("studies", "id = NEW.id", "studies are only ever added"),
  ...stored("batches", "id = NEW.id", "batches are only ever added"),
  ...stored("jobs", "id = NEW.id", "jobs are only ever added"),
  ...stored(
    "plans",
    "row = NEW.row OR (piece = NEW.piece AND revision = NEW.revision)",
    "revisions of a plan are only ever added",
  ),
  ...stored(
    "closures",
    "row = NEW.row OR (closure = NEW.closure AND revision = NEW.revision)",
    "revisions of a closure are only ever added",
  ),
  ...stored("closure_events", "n = NEW.n OR id = NEW.id", "what happened to a closure is only ever added"),
  ...stored("crew_events", "n = NEW.n OR id = NEW.id", "what a crew decided is only ever added"),
  ...stored(
    "feeders",
    "row = NEW.row OR (feeder = NEW.feeder AND revision = NEW.revision)",
    "revisions of a feeder are only ever added",
  ),
  ...stored("light_references", "n = NEW.n OR id = NEW.id", "references of light are only ever added"),
  ...stored("tool_checks", "n = NEW.n OR id = NEW.id", "checks of tools are only ever added"),
  ...stored("ends", "id = NEW.id", "what an end was started as is kept").map((guard) =>
    guard.name === "ends_keep_words"
      ? { ...guard, sql: guard.sql.replace("BEFORE UPDATE ON", `BEFORE UPDATE OF ${FOUNDED} ON`) }
      : guard,
  ),
];

/** The guards of older schemas, and how far a schema had come when it first had them. */
const OLD_GUARDS = [
  ...guardsOf(2, ["entries", "documents"], ["rows", "words"]),
  ...guardsOf(5, ["shelf", "tool_events"], ["rows", "words"]),
  ...guardsOf(7, ["studies"], ["rows", "words"]),
  ...guardsOf(
    9,
    ["events", "meta", "register", "people_events", "batches", "ends"],
    ["rows", "words", "place"],
  ),
  ...guardsOf(9, ["documents", "shelf", "tool_events", "studies"], ["place"]),
  ...guardsOf(11, ["jobs", "plans"], ["rows", "words", "place"]),
  ...guardsOf(12, ["closures"], ["rows", "words", "place"]),
  ...guardsOf(13, ["closure_events"], ["rows", "words", "place"]),
  ...guardsOf(14, ["crew_events"], ["rows", "words", "place"]),
  ...guardsOf(15, ["feeders", "light_references"], ["rows", "words", "place"]),
];

/** The schema whose events lie in their envelopes: its table of entries is gone, with its guards. */
const ENVELOPED = 9;

function guardsOf(since: number, tables: readonly string[], keeps: readonly string[]) {
  return tables.flatMap((table) => keeps.map((keep) => ({ table, name: `${table}_keep_${keep}`, since })));
}

/** Guards a file of an older schema should have and has not, before it is lifted. */
export function oldGuardsGone(database: Database.Database, steps: number, latest: number): string[] {
  if (steps === 0 || steps >= latest) return [];
  const there = new Set(
    database
      .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'trigger'")
      .all()
      .map(({ name }) => name),
  );
  return OLD_GUARDS.filter(
    ({ table, since }) => steps >= since && !(table === "entries" && steps >= ENVELOPED),
  )
    .map(({ name }) => name)
    .filter((name) => !there.has(name));
}

/** Guards that are gone or say something else than they should. */
export function missingGuards(store: Store): Guard[] {
  const there = new Map(
    store
      .all<{ name: string; sql: string }>(sql`SELECT name, sql FROM sqlite_master WHERE type = 'trigger'`)
      .map((trigger) => [trigger.name, trigger.sql]),
  );
  return GUARDS.filter(({ name, sql: words }) => there.get(name) !== words);
}

/** Triggers on the record's tables that are none of its own: they could change what is written. */
export function strangeTriggers(store: Store): string[] {
  const own = new Set(GUARDS.map(({ name }) => name));
  return store
    .all<{ name: string }>(sql`SELECT name FROM sqlite_master WHERE type = 'trigger' ORDER BY name`)
    .map(({ name }) => name)
    .filter((name) => !own.has(name));
}

/** Puts missing guards back. @returns their names. */
export function restoreGuards(store: Store): string[] {
  const missing = missingGuards(store);
  for (const { name, sql: words } of missing) {
    store.run(sql.raw(`DROP TRIGGER IF EXISTS ${name}`));
    store.run(sql.raw(words));
  }
  return missing.map(({ name }) => name);
}
