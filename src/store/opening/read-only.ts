import { copyFileSync, existsSync, mkdtempSync, rmSync, statSync, symlinkSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve } from "node:path";
import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "../database/store";
import { missingTables } from "../database/whole";
import * as schema from "../schema";
import { isUnderWay, openStore, schemaOf } from "./open";

/** A database opened to be looked at, and closed again. */
interface Looked {
  readonly store: Store;
  /** Whether it is of an older schema: a copy of it was lifted, and that is looked at. */
  readonly lifted: boolean;
  readonly close: () => void;
}

const refused = (file: string, why: string, cause?: unknown) =>
  new InputError("not-arlent", say("is-not-a-whole-arlent-database", { file, why }), ["file"], { cause });

/**
 * Opens a file to be looked at and writes nothing in it or beside it.
 * @throws InputError: `not-found`; `not-arlent` for anything that is not a whole database of this program; `newer`.
 */
export function openToLook(file: string): Looked {
  if (!existsSync(file)) throw new InputError("not-found", say("there-is-no-file", { file }), ["file"]);
  const shut = withoutTraces(file);
  const database = opened(file);
  try {
    const { steps, newest: latest } = stepsOf(file, database);
    if (steps > latest)
      throw new InputError("newer", say("was-written-by-a-newer-version-of-2", { file }), ["file"]);
    if (steps < latest || isUnderWay(database)) {
      mustBeOld(file, database);
      database.close();
      shut();
      return liftedCopy(file);
    }
    const [missing] = missingTables(database);
    if (missing) throw refused(file, `it has no ${missing}`);
    return {
      store: drizzle(database, { schema }),
      lifted: false,
      close: () => {
        database.close();
        shut();
      },
    };
  } catch (error) {
    database.close();
    shut();
    throw error;
  }
}

function opened(file: string): Database.Database {
  try {
    return new Database(file, { readonly: true, fileMustExist: true });
  } catch (cause) {
    throw refused(file, "it cannot be opened as one", cause);
  }
}

function stepsOf(file: string, database: Database.Database): ReturnType<typeof schemaOf> {
  let schema: ReturnType<typeof schemaOf>;
  try {
    schema = schemaOf(database);
  } catch (cause) {
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

function liftedCopy(file: string): Looked {
  const folder = mkdtempSync(join(tmpdir(), "arlent-look-"));
  const copy = join(folder, "copy.db");
  copyFileSync(file, copy);
  if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${copy}-wal`);
  const photos = join(dirname(resolve(file)), "photos");
  if (existsSync(photos)) symlinkSync(photos, join(folder, "photos"));
  const store = openStore(copy);
  return {
    store,
    lifted: true,
    close: () => {
      store.$client.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
