import type { Store } from "./store";

/**
 * Everything done in it or nothing, alone among writers from its first look on (SQLite's immediate transaction). Inside
 * another one it is part of that.
 */
export function inTransaction<T>({ $client: database }: Store, work: () => T): T {
  return database.inTransaction ? work() : database.transaction(work).immediate();
}
