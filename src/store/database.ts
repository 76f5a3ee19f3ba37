import { mkdirSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import Database from "better-sqlite3";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { chainOldEntries } from "./chain";
import * as schema from "./schema";

export type Store = BetterSQLite3Database<typeof schema>;

/**
 * Opens a database file, creating and migrating it as needed.
 * Every commit is on the disk before it is answered (WAL with full synchronisation), so what was
 * acknowledged survives a kill of the process and a loss of power.
 */
export function openStore(file: string): Store {
  if (file !== ":memory:") mkdirSync(dirname(resolve(file)), { recursive: true });
  const database = new Database(file, { timeout: 5_000 });
  database.pragma("journal_mode = WAL");
  database.pragma("synchronous = FULL");
  database.pragma("foreign_keys = ON");
  const store = drizzle(database, { schema });
  migrate(store, { migrationsFolder: join(process.cwd(), "src/store/migrations") });
  chainOldEntries(store);
  return store;
}

const shared = globalThis as { arlentStore?: Store };

/** The application's database, opened once a process: ARLENT_DB, or data/arlent.db. */
export function theStore(): Store {
  shared.arlentStore ??= openStore(process.env.ARLENT_DB ?? join(process.cwd(), "data/arlent.db"));
  return shared.arlentStore;
}
