import { getTableColumns, sql } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import type { Store } from "./store";

/** A statement that is put together once a database and asked again and again: what every reading needs. */
export function prepared<T>(make: (store: Store) => T): (store: Store) => T {
  const cache = new WeakMap<Store, T>();
  return (store) => {
    const cached = cache.get(store);
    if (cached) return cached;
    const fresh = make(store);
    cache.set(store, fresh);
    return fresh;
  };
}

type Columns = Record<string, unknown>;

const forEach = <C extends Columns, V>(
  table: SQLiteTable & { readonly $inferSelect: C },
  value: (name: string, column: SQLiteColumn) => V,
): { readonly [N in keyof C]: V } =>
  Object.fromEntries(
    Object.entries(getTableColumns(table)).map(([name, column]) => [name, value(name, column)]),
  ) as { readonly [N in keyof C]: V };

/** The place of every column of a table in a prepared statement that inserts, under the column's own name. */
export const placeholdersOf = <C extends Columns>(table: SQLiteTable & { readonly $inferSelect: C }) =>
  forEach(table, (name) => sql.placeholder(name));

/** The same in one that updates: written as the column writes its values. */
export const settingOf = <C extends Columns>(table: SQLiteTable & { readonly $inferSelect: C }) =>
  forEach(table, (name, column) => sql`${sql.param(sql.placeholder(name), column)}`);
