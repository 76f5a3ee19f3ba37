import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import Database from "better-sqlite3";

export { isWholePhoto } from "@/store/record/photos";

export const PHOTO_FILE = /^[0-9a-f]{64}\.jpg$/;

/** Photographs beside a database, by their files' names. */
export function photographsBeside(database: string): {
  readonly folder: string;
  readonly names: readonly string[];
} {
  const folder = join(dirname(resolve(database)), "photos");
  return {
    folder,
    names: existsSync(folder) ? readdirSync(folder).filter((name) => PHOTO_FILE.test(name)) : [],
  };
}

/** Puts photographs that are not in it yet into a pack: one database, which is copied as the record is. @returns how many. */
export function packPhotographs(database: string, pack: string): number {
  const { folder, names } = photographsBeside(database);
  const packed = new Database(pack, { timeout: 5_000 });
  try {
    packed.pragma("journal_mode = WAL");
    packed.exec("CREATE TABLE IF NOT EXISTS photographs (name TEXT PRIMARY KEY, bytes BLOB NOT NULL)");
    const there = new Set(packed.prepare<[], string>("SELECT name FROM photographs").pluck().all());
    const missing = names.filter((name) => !there.has(name));
    const insert = packed.prepare("INSERT INTO photographs VALUES (?, ?)");
    for (const name of missing) insert.run(name, readFileSync(join(folder, name)));
    return missing.length;
  } finally {
    packed.close();
  }
}

/** Puts seals into a pack that are not in it yet. */
export function packSeals(pack: string, lines: readonly string[]): void {
  const packed = new Database(pack, { timeout: 5_000 });
  try {
    packed.exec("CREATE TABLE IF NOT EXISTS seals (line TEXT PRIMARY KEY)");
    const there = new Set(packed.prepare<[], string>("SELECT line FROM seals").pluck().all());
    const insert = packed.prepare("INSERT INTO seals VALUES (?)");
    for (const line of lines.filter((line) => !there.has(line))) insert.run(line);
  } finally {
    packed.close();
  }
}

/** The seals of a pack; none in one of an earlier program. */
export function packedSeals(pack: string): string[] {
  const packed = new Database(pack, { readonly: true });
  try {
    const table = packed.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'seals'").get();
    return table ? packed.prepare<[], string>("SELECT line FROM seals ORDER BY rowid").pluck().all() : [];
  } finally {
    packed.close();
  }
}

/** Every photograph of a pack, one at a time. */
export function* packedPhotographs(
  pack: string,
): Generator<{ readonly name: string; readonly bytes: Buffer }> {
  const packed = new Database(pack, { readonly: true });
  try {
    for (const row of packed
      .prepare<[], { name: string; bytes: Buffer }>("SELECT name, bytes FROM photographs")
      .iterate())
      if (PHOTO_FILE.test(row.name)) yield row;
  } finally {
    packed.close();
  }
}
