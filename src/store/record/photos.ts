import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, dirname, join, resolve } from "node:path";
import { sql } from "drizzle-orm";
import { sha256 } from "../database/hash";
import type { Store } from "../database/store";

/** Photographs lie in a folder beside the database file, each under the SHA-256 of its bytes. */
function folderOf(store: Store): string {
  const { file } = store.get<{ file: string }>(sql`PRAGMA database_list`);
  const folder = file
    ? join(dirname(resolve(file)), "photos")
    : join(tmpdir(), `arlent-photos-${process.pid}`);
  return folder;
}

const HASH = /^[0-9a-f]{64}$/;

/** Whether a photograph lies at a path, and is the one its name says: one that was cut short is not. */
export const isWholePhoto = (path: string): boolean =>
  existsSync(path) && sha256(readFileSync(path)) === basename(path, ".jpg");

/**
 * Keeps a photograph's bytes, once: written whole under another name first, then put in place.
 * @returns their hash, and whether they were not there before.
 */
export function keepPhoto(store: Store, bytes: Buffer): { readonly sha256: string; readonly fresh: boolean } {
  const hash = sha256(bytes);
  const folder = folderOf(store);
  mkdirSync(folder, { recursive: true });
  const path = join(folder, `${hash}.jpg`);
  if (isWholePhoto(path)) return { sha256: hash, fresh: false };
  const draft = `${path}.${process.pid}.part`;
  try {
    writeFileSync(draft, bytes, { flush: true });
    renameSync(draft, path);
  } catch (error) {
    rmSync(draft, { force: true });
    throw error;
  }
  return { sha256: hash, fresh: true };
}

/** Takes a photograph away that no event came to name. */
export const dropPhoto = (store: Store, hash: string): void =>
  rmSync(photoPath(store, hash), { force: true });

/** A kept photograph's bytes; null where there is none by that hash, or what lies there is not what was kept. */
export function photoBytes(store: Store, hash: string): Buffer | null {
  if (!HASH.test(hash)) return null;
  const path = join(folderOf(store), `${hash}.jpg`);
  if (!existsSync(path)) return null;
  const bytes = readFileSync(path);
  return sha256(bytes) === hash ? bytes : null;
}

/** Where a photograph lies. */
export const photoPath = (store: Store, hash: string): string => join(folderOf(store), `${hash}.jpg`);

const NAMED = /"sha256":"([0-9a-f]{64})"/g;

/** The hashes of every photograph that any end's events name. */
export function photographsIn(store: Store): string[] {
  const bodies = store.$client
    .prepare<[], { body: string }>(`SELECT body FROM events WHERE body LIKE '%"sha256":"%'`)
    .all();
  return [
    ...new Set(bodies.flatMap(({ body }) => [...body.matchAll(NAMED)].flatMap(([, hash]) => hash ?? []))),
  ];
}
