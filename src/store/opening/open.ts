import { chmodSync, mkdirSync, rmSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import Database from "better-sqlite3";
import { sql } from "drizzle-orm";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { readMigrationFiles } from "drizzle-orm/migrator";
import { z } from "zod";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import { oldGuardsGone, restoreGuards } from "../database/guards";
import { type ObjectOff, objectsIn, objectsOff, type SchemaObject } from "../database/objects";
import { processWide } from "../database/process-wide";
import { takeToServe } from "../database/serving";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { troubleOf } from "../database/trouble";
import { enterHeads } from "../record/heads";
import { addToRegister, digestOf } from "../record/register";
import * as schema from "../schema";
import { lift, noteLiftFrom } from "./lift";

const MIGRATIONS = { migrationsFolder: join(process.cwd(), "src/store/migrations") };

/** What marks a file as Arlent's in its header: “ARLT”. */
const APPLICATION_ID = 0x41524c54;

/** How many steps a file's schema has come, of those this program knows; 0 for an empty or foreign file. */
export function schemaOf(database: Database.Database): { steps: number; newest: number } {
  const migrations = readMigrationFiles(MIGRATIONS).length;
  const table = database
    .prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = '__drizzle_migrations'")
    .get();
  const applied = table
    ? database.prepare<[], { n: number }>("SELECT count(*) AS n FROM __drizzle_migrations").get()
    : undefined;
  return { steps: applied?.n ?? 0, newest: migrations };
}

/** Whether the list of steps the schema came by says what the program's own says. */
export function schemaStepsAltered(store: Store): boolean {
  const written = store.all<{ hash: string; at: number }>(
    sql`SELECT hash, created_at AS at FROM __drizzle_migrations ORDER BY rowid`,
  );
  const migrations = readMigrationFiles(MIGRATIONS);
  return (
    written.length !== migrations.length ||
    written.some(
      ({ hash, at }, i) => hash !== migrations[i]?.hash || Number(at) !== migrations[i]?.folderMillis,
    )
  );
}

/** As `schemaOf`; closes again what is no database. */
function stepsIn(database: Database.Database): ReturnType<typeof schemaOf> {
  try {
    return schemaOf(database);
  } catch (error) {
    database.close();
    throw error;
  }
}

/**
 * Opens a database file, creating and migrating it as needed; what an older Arlent wrote is lifted once.
 * Every commit is on the disk before it is answered (WAL with full synchronisation), so what was
 * acknowledged survives a kill of the process and a loss of power.
 * @throws InputError `newer` for a file of a newer program, with nothing changed.
 */
export function openStore(file: string): Store {
  if (file !== ":memory:") mkdirSync(dirname(resolve(file)), { recursive: true });
  const database = new Database(file, { timeout: 5_000 });
  const { steps, newest: latest } = stepsIn(database);
  if (steps > latest) {
    database.close();
    throw new InputError("newer", say("was-written-by-a-newer-version-of", { file }), ["file"]);
  }
  return steps === latest && !isUnderWay(database)
    ? migrated(database)
    : withOpenLock(file, () => migrated(database));
}

/** Whether bringing the file to where this program reads it was begun, and ended by a kill or a loss of power. */
export const isUnderWay = (database: Database.Database): boolean =>
  database.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'bringing'").get() !==
  undefined;

/**
 * Notes in a file of an older schema that it is being migrated, and which guards of its own day were gone: whoever goes
 * on, should this one be ended, knows that those of today were never put in. The note goes with them.
 */
export function beginBringing(database: Database.Database): void {
  const { steps, newest: latest } = schemaOf(database);
  if (steps === latest || isUnderWay(database)) return;
  const gone = JSON.stringify(oldGuardsGone(database, steps, latest));
  database
    .transaction(() => {
      database.exec("CREATE TABLE bringing (gone text NOT NULL)");
      database.prepare("INSERT INTO bringing VALUES (?)").run(gone);
    })
    .immediate();
}

/** Lifts, and puts the guards in, all or nothing. */
function endBringing(store: Store): void {
  const { $client: database } = store;
  inTransaction(store, () => {
    const noted = isUnderWay(database)
      ? database.prepare<[], string>("SELECT gone FROM bringing").pluck().get()
      : undefined;
    const lifted = lift(store);
    const gone = noted === undefined ? [] : z.array(z.string()).parse(JSON.parse(noted));
    keepGuards(store, lifted || noted !== undefined, gone);
    enterHeads(store);
    database.exec("DROP TABLE IF EXISTS bringing");
  });
}

/** A database migrated to the schema this program reads. */
function migrated(database: Database.Database): Store {
  database.pragma("journal_mode = WAL");
  database.pragma("synchronous = FULL");
  database.pragma("foreign_keys = ON");
  const store: Store = drizzle(database, { schema });
  beginBringing(database);
  noteLiftFrom(database, schemaOf(database).steps);
  migrate(store, MIGRATIONS);
  database.pragma(`application_id = ${APPLICATION_ID}`);
  endBringing(store);
  return store;
}

/** What a file of this program's schema has, beside its guards: made afresh, once a process. */
const expectedObjects = (): readonly SchemaObject[] =>
  processWide("schema objects", () => {
    const database = new Database(":memory:");
    migrate(drizzle(database, { schema }), MIGRATIONS);
    const objects = objectsIn(database);
    database.close();
    return objects;
  });

/** Tables, indexes and views that are missing, are not as this program makes them, or are none of its own. */
export const schemaObjectsOff = (database: Database.Database): ObjectOff[] =>
  objectsOff(objectsIn(database), expectedObjects());

/** Puts indexes back that are missing or changed: they follow from the tables. @returns their names. */
function restoreIndexes(database: Database.Database): string[] {
  const off = schemaObjectsOff(database).filter(({ type, fault }) => type === "index" && fault !== "strange");
  for (const { name } of off) {
    const words = expectedObjects().find((object) => object.name === name)?.sql;
    database.exec(`DROP INDEX IF EXISTS "${name}"`);
    if (words) database.exec(words);
  }
  return off.map(({ name }) => name);
}

/** Several processes may meet a file that is new or old: one makes it, the others wait, and find it made. */
function withOpenLock<T>(file: string, work: () => T): T {
  if (file === ":memory:") return work();
  const path = `${resolve(file)}.opening`;
  const lock = new Database(path, { timeout: 60_000 });
  try {
    lock.pragma("journal_mode = MEMORY");
    lock.exec("BEGIN EXCLUSIVE");
    return work();
  } finally {
    // Whoever waits on this very file still gets its lock, and finds nothing left to do.
    rmSync(path, { force: true });
    lock.close();
  }
}

/** The guards of the record: made once; whoever takes them off finds them back, and noted for the record's check. */
function keepGuards(store: Store, fresh: boolean, gone: readonly string[]): void {
  inTransaction(store, () => {
    const built = [...restoreGuards(store), ...restoreIndexes(store.$client)];
    const restored = fresh ? gone : built;
    if (restored.length > 0) {
      const ref = `${new Date().toISOString()} ${restored.join(", ")}`;
      addToRegister(store, "guards", ref, digestOf({ ref }));
    }
  });
}

declare global {
  /** The one store of the process. */
  var arlentStore: Store | undefined;
}

/** Where the application's database lies: ARLENT_DB, or data/arlent.db. */
export const databaseFile = (): string => process.env.ARLENT_DB ?? join(process.cwd(), "data/arlent.db");

/**
 * The application's database, opened once a process and for this process alone; when that ends in good order, the
 * write-ahead log is folded in and the file is whole by itself.
 * @throws InputError `in-use`, `newer`, or what is the matter with the disk or the file.
 */
export function theStore(): Store {
  globalThis.arlentStore ??= served(databaseFile());
  return globalThis.arlentStore;
}

/** A record is for whoever serves it: nobody else on this machine reads its files. */
function keepPrivate(file: string): void {
  for (const path of [file, `${file}-wal`, `${file}-shm`])
    try {
      chmodSync(path, 0o600);
    } catch {
      // Not there, or another user's: what may be read there is that user's to say.
    }
}

function served(file: string): Store {
  try {
    mkdirSync(dirname(resolve(file)), { recursive: true });
    const giveBack = takeToServe(file, process.env.ARLENT_URL ?? "");
    try {
      const store = openStore(file);
      keepPrivate(file);
      process.once("exit", () => {
        store.$client.close();
        giveBack();
      });
      return store;
    } catch (error) {
      giveBack();
      throw error;
    }
  } catch (error) {
    throw troubleOf(error) ?? error;
  }
}
