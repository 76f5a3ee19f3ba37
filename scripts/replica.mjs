// Keeps a standing copy of the database in a folder elsewhere, by Litestream beside the server. Needs nothing but Node.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { isAbsolute, join, resolve } from "node:path";
import { fail, root } from "./setup.mjs";

/** The program, as the optional package brings it; null where it brings none for this machine. */
export function litestream() {
  try {
    const name = `@flydotio/litestream-${process.platform}-${process.arch}`;
    const here = createRequire(join(root, "package.json"));
    const path = join(here.resolve(`${name}/package.json`), "..", "litestream");
    return existsSync(path) ? path : null;
  } catch {
    return null;
  }
}

/** Where the copy goes; one line and an end where that cannot be. */
export function replicaFolder(database) {
  const { ARLENT_REPLICA: folder } = process.env;
  if (!folder) return null;
  if (/^[a-z0-9]+:\/\//i.test(folder))
    fail(`ARLENT_REPLICA is a folder, best on another disk or a mounted share, not “${folder}”.`);
  if (!isAbsolute(folder)) fail(`ARLENT_REPLICA is a whole path, not “${folder}”.`);
  if (resolve(folder) === resolve(database, ".."))
    fail("ARLENT_REPLICA is another folder than the database's own.");
  if (!litestream())
    fail(
      "ARLENT_REPLICA needs Litestream, and its package brings none for this machine: npm install @flydotio/litestream.",
    );
  return folder;
}

const config = (database, folder) => `dbs:
  - path: ${JSON.stringify(database)}
    replicas:
      - type: file
        path: ${JSON.stringify(join(folder, "record"))}
        sync-interval: 1s
        snapshot-interval: 24h
        retention: 72h
`;

/** A copier left over from a server that was killed would write the same copy: it is ended first. */
function endStale(note) {
  try {
    const pid = Number(readFileSync(note, "utf8"));
    if (readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("litestream")) process.kill(pid, "SIGKILL");
  } catch {
    // None was left, or it is gone.
  }
}

const LONGEST_WAIT_MS = 30_000;

/** Copies for as long as the server runs; started again, ever later, where it ends by itself. @returns stops it, and waits. */
export function keepCopying(database, folder) {
  const note = `${database}.copier`;
  endStale(note);
  mkdirSync(join(folder, "record"), { recursive: true });
  writeFileSync(`${note}.yml`, config(database, folder));
  let stopping = false;
  let wait = 1_000;
  let child = null;
  let again = null;
  const start = () => {
    const begun = Date.now();
    // Out of the terminal's own group: a Ctrl+C ends the server first, and the copier when that is done.
    child = spawn(litestream(), ["replicate", "-config", `${note}.yml`], {
      detached: true,
      stdio: ["ignore", "ignore", "inherit"],
    });
    if (child.pid) writeFileSync(note, String(child.pid));
    child.once("error", ({ message }) => console.error(`The standing copy: ${message}`));
    child.once("exit", (code) => {
      if (stopping) return;
      wait = Date.now() - begun > 60_000 ? 1_000 : Math.min(LONGEST_WAIT_MS, wait * 2);
      console.error(`The standing copy stopped (${code}); it is started again in ${wait / 1_000} s.`);
      again = setTimeout(start, wait);
    });
  };
  start();
  return () =>
    new Promise((done) => {
      stopping = true;
      clearTimeout(again);
      const ended = () => {
        for (const file of [note, `${note}.yml`]) rmSync(file, { force: true });
        done();
      };
      if (!child || child.exitCode !== null || child.signalCode !== null) return ended();
      child.once("exit", ended);
      child.kill("SIGINT");
    });
}
