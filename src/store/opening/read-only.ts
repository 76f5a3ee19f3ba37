import { copyFileSync, existsSync, mkdtempSync, rmSync, statSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve } from "node:path";
import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import { ownMark } from "../database/litter";
import type { Store } from "../database/store";
import { missingTables } from "../database/whole";
import * as schema from "../schema";
import { isUnderWay, openStore, schemaOf } from "./open";

/** A database opened to be looked at, and closed again. */
interface Looked {
  readonly store: Store;
  /** Whether it is of an older schema: a copy of it was lifted, and that is looked at. */
  readonly lifted: boolean;
  /** The moment it is seen at: nothing written later is. */
  readonly at: Date;
  readonly close: () => void;
}

const refused = (file: string, why: string, cause?: unknown) =>
  new InputError("not-arlent", say("is-not-a-whole-arlent-database", { file, why }), ["file"], { cause });

/**
 * Opens a file to be looked at and writes nothing in it or beside it. All of it is seen as it stood at one moment, whoever
 * writes meanwhile.
 * @throws InputError: `not-found`; `not-arlent` for anything that is not a whole database of this program; `newer`.
 */
export function openToLook(file: string): Looked {
  if (!existsSync(file)) throw new InputError("not-found", say("there-is-no-file", { file }), ["file"]);
  const at = new Date();
  const shut = withoutTraces(file);
  const database = opened(file);
  const close = () => {
    database.close();
    shut();
  };
  try {
    const { steps, newest: latest } = stepsOf(file, database);
    if (steps > latest)
      throw new InputError("newer", say("was-written-by-a-newer-version-of-2", { file }), ["file"]);
    if (steps < latest || isUnderWay(database)) {
      mustBeOld(file, database);
      const bytes = database.serialize();
      close();
      return liftedCopy(file, bytes, at);
    }
    const [missing] = missingTables(database);
    if (missing) throw refused(file, `it has no ${missing}`);
    return { store: drizzle(database, { schema }), lifted: false, at, close };
  } catch (error) {
    close();
    if (isUnwritable(error)) return copyToLook(file);
    throw error;
  }
}

/**
 * Whether a file cannot be read because nothing can be written beside it: one in write-ahead mode needs a file there
 * (https://www.sqlite.org/wal.html, "Read-Only Databases").
 */
const isUnwritable = (error: unknown): boolean =>
  error instanceof Database.SqliteError && /^SQLITE_(CANTOPEN|READONLY)/.test(error.code);

function opened(file: string): Database.Database {
  try {
    return new Database(file, { readonly: true, fileMustExist: true });
  } catch (cause) {
    throw refused(file, "it cannot be opened as one", cause);
  }
}

/** How far its schema has come, and from here on the file as it stands now. */
function stepsOf(file: string, database: Database.Database): ReturnType<typeof schemaOf> {
  let schema: ReturnType<typeof schemaOf>;
  try {
    database.exec("BEGIN");
    schema = schemaOf(database);
  } catch (cause) {
    if (isUnwritable(cause)) throw cause;
    throw refused(file, "it is no SQLite file, or a damaged one", cause);
  }
  if (schema.steps === 0) throw refused(file, "nothing in it says so");
  return schema;
}

/** A file of an older schema has the two tables every one had. */
function mustBeOld(file: string, database: Database.Database): void {
  const there = database
    .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'")
    .all()
    .map(({ name }) => name);
  const missing = ["documents", "ends"].find((name) => !there.includes(name));
  if (missing) throw refused(file, `it has no table ${missing}`);
  if (!there.includes("entries") && !there.includes("events"))
    throw refused(file, "it has no table of events");
}

/** Reading a file in write-ahead mode makes two files beside it where there are none: they are taken away again. */
function withoutTraces(file: string): () => void {
  const beside = [`${file}-wal`, `${file}-shm`].filter((path) => !existsSync(path));
  return () => {
    if (beside.length < 2 || !existsSync(`${file}-wal`) || statSync(`${file}-wal`).size > 0) return;
    for (const first of beside) rmSync(first, { force: true });
  };
}

/** A folder of its own for a copy, with the photographs of the file it is of. */
function besideCopy(file: string): { readonly copy: string; readonly drop: () => void } {
  const folder = mkdtempSync(join(tmpdir(), `arlent-look${ownMark()}`));
  const photos = join(dirname(resolve(file)), "photos");
  if (existsSync(photos)) symlinkSync(photos, join(folder, "photos"));
  return { copy: join(folder, "copy.db"), drop: () => rmSync(folder, { recursive: true, force: true }) };
}

function liftedCopy(file: string, bytes: Buffer, at: Date): Looked {
  const { copy, drop } = besideCopy(file);
  writeFileSync(copy, bytes);
  const store = openStore(copy);
  return {
    store,
    lifted: true,
    at,
    close: () => {
      store.$client.close();
      drop();
    },
  };
}

/** From a disk that takes nothing: nobody else writes there either, so a copy is the file. */
function copyToLook(file: string): Looked {
  const { copy, drop } = besideCopy(file);
  try {
    copyFileSync(file, copy);
    if (statSync(`${file}-wal`, { throwIfNoEntry: false })?.isFile())
      copyFileSync(`${file}-wal`, `${copy}-wal`);
    const looked = openToLook(copy);
    return {
      ...looked,
      close: () => {
        looked.close();
        drop();
      },
    };
  } catch (error) {
    drop();
    throw error;
  }
}
