import Database from "better-sqlite3";
import { type ErrorCode, InputError } from "@/core";
import { t } from "@/messages/service";

interface Trouble {
  readonly code: ErrorCode;
  readonly message: string;
}

const FULL: Trouble = {
  code: "disk-full",
  message: t("the-disk-under-the-record-is-full"),
};
const READ_ONLY: Trouble = {
  code: "read-only",
  message: t("the-record-cannot-be-written-its-file"),
};
const DAMAGED: Trouble = {
  code: "damaged",
  message: t("the-records-file-is-damaged-or-no"),
};
const FAILED: Trouble = {
  code: "disk-failed",
  message: t("the-disk-under-the-record-does-not"),
};
const BUSY: Trouble = {
  code: "busy",
  message: t("the-record-is-being-written-by-something"),
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
