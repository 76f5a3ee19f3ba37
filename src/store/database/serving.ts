import { existsSync, readFileSync, realpathSync, rmSync, statSync, writeFileSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import Database from "better-sqlite3";
import { z } from "zod";
import { InputError } from "@/core";
import { say } from "@/messages/service";

const zServing = z.object({ pid: z.int(), url: z.string(), since: z.string() });

/** Whoever serves a database, as they wrote it down. */
function servedBy(file: string): string {
  try {
    const { pid, url, since } = zServing.parse(JSON.parse(readFileSync(`${file}.serving`, "utf8")));
    return `${url || "a server"} (process ${pid}, since ${since.slice(0, 16).replace("T", " ")} UTC)`;
  } catch {
    return "another server";
  }
}

/**
 * The one path a file has: a symbolic link to it is no other file.
 * @throws InputError `in-use` where it has another name on the disk (a hard link): its lock would lie beside that too.
 */
function ownPath(file: string): string {
  const whole = resolve(file);
  if (!existsSync(whole)) return join(realpathSync(dirname(whole)), basename(whole));
  const path = realpathSync(whole);
  if (statSync(path).nlink > 1)
    throw new InputError("in-use", say("has-a-second-name-on-the-disk", { basename: basename(path) }), [
      "file",
    ]);
  return path;
}

/**
 * Takes a database for this process alone, as the one that serves it. The lock is the operating system's, on a file
 * beside it: it goes with the process, however that ends.
 * @returns gives it back.
 * @throws InputError `in-use`: another process serves it, named where that is known.
 */
export function takeToServe(file: string, url: string, now = new Date()): () => void {
  const whole = ownPath(file);
  const lock = new Database(`${whole}.lock`, { timeout: 0 });
  try {
    lock.pragma("journal_mode = MEMORY");
    lock.exec("BEGIN EXCLUSIVE");
  } catch (cause) {
    lock.close();
    throw new InputError(
      "in-use",
      say("is-served-already-by-one-server-writes", { basename: basename(whole), servedBy: servedBy(whole) }),
      ["file"],
      { cause },
    );
  }
  writeFileSync(`${whole}.serving`, JSON.stringify({ pid: process.pid, url, since: now.toISOString() }));
  return () => {
    rmSync(`${whole}.serving`, { force: true });
    lock.close();
  };
}
