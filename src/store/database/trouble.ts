import Database from "better-sqlite3";
import { type ErrorCode, InputError } from "@/core";

interface Trouble {
  readonly code: ErrorCode;
  readonly message: string;
}

const FULL: Trouble = {
  code: "disk-full",
  message:
    "The disk under the record is full: nothing more can be stored. What was stored before stands. Make room on the server's disk; nothing needs to be started again.",
};
const READ_ONLY: Trouble = {
  code: "read-only",
  message:
    "The record cannot be written: its file, folder or disk is read-only for the server. What was stored before stands. Give the server's user leave to write there.",
};
const DAMAGED: Trouble = {
  code: "damaged",
  message:
    "The record's file is damaged, or no database. How much of it is whole is not known: stop the server, copy the file with its -wal beside it as it is, run npm run check-record on the copy, and restore the newest backup into another place.",
};
const FAILED: Trouble = {
  code: "disk-failed",
  message:
    "The disk under the record does not answer as it should. Whether the last of it was stored is not known: copy what is there before anything else, then look at the disk.",
};
const BUSY: Trouble = {
  code: "busy",
  message:
    "The record is being written by something else for longer than five seconds. Nothing was stored by this; try again.",
};

/** By the beginning of SQLite's result code (https://www.sqlite.org/rescode.html) or the system's error name. */
const KNOWN: readonly (readonly [string, Trouble])[] = [
  ["SQLITE_FULL", FULL],
  ["ENOSPC", FULL],
  ["EDQUOT", FULL],
  ["SQLITE_READONLY", READ_ONLY],
  ["SQLITE_CANTOPEN", READ_ONLY],
  ["SQLITE_PERM", READ_ONLY],
  ["EROFS", READ_ONLY],
  ["EACCES", READ_ONLY],
  ["EPERM", READ_ONLY],
  ["SQLITE_CORRUPT", DAMAGED],
  ["SQLITE_NOTADB", DAMAGED],
  ["SQLITE_IOERR", FAILED],
  ["EIO", FAILED],
  ["SQLITE_BUSY", BUSY],
  ["SQLITE_LOCKED", BUSY],
];

/** What is the matter with the disk or the file where an error tells; null where it tells something else. */
export function troubleOf(error: unknown): InputError | null {
  for (
    let first: unknown = error;
    first instanceof Error && !(first instanceof InputError);
    first = first.cause
  ) {
    const code = first instanceof Database.SqliteError || "code" in first ? String(first.code) : "";
    const trouble = KNOWN.find(([name]) => code.startsWith(name));
    if (trouble) return new InputError(trouble[1].code, trouble[1].message, [], { cause: error });
  }
  return null;
}
