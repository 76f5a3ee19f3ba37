import type Database from "better-sqlite3";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import type * as schema from "../schema";

/** An open database. */
export type Store = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };
