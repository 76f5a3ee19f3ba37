// Keeps a standing copy of the database elsewhere, by Litestream beside the server. Needs nothing but Node.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, isAbsolute, join, resolve } from "node:path";
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

const SCHEME = /^[a-z0-9]+:\/\//i;

/**
 * Where a standing copy goes, of what was set; throws a line where it cannot be. Secrets stand in settings of their own,
 * never in the address.
 */
export function replicaTarget(text, env = process.env) {
  if (!SCHEME.test(text)) return { kind: "folder", folder: resolve(text) };
  if (!URL.canParse(text)) throw new Error(`ARLENT_REPLICA cannot be read: “${text}”.`);
  const { protocol, host, username, password, pathname } = new URL(text);
  const path = decodeURIComponent(pathname).replace(/\/+$/, "");
  if (password) throw new Error("ARLENT_REPLICA holds no password: set ARLENT_REPLICA_PASSWORD.");
  if (protocol === "sftp:") {
    const {
      ARLENT_REPLICA_PASSWORD: secret,
      ARLENT_REPLICA_KEY: key,
      ARLENT_REPLICA_HOST_KEY: hostKey,
    } = env;
    if (!username || !host || !path)
      throw new Error(
        `ARLENT_REPLICA names user, host and folder, as sftp://wyn@hall/copies, not “${text}”.`,
      );
    if (!secret && !key)
      throw new Error(
        "A copy by SFTP needs ARLENT_REPLICA_KEY, a private key's file, or ARLENT_REPLICA_PASSWORD.",
      );
    if (!/^SHA256:[A-Za-z0-9+/]{43}$/.test(hostKey ?? ""))
      throw new Error(
        "A copy by SFTP needs ARLENT_REPLICA_HOST_KEY, the fingerprint of the server's own key as ssh-keygen -l prints it: SHA256:….",
      );
    const address = host.includes(":") ? host : `${host}:22`;
    return { kind: "sftp", host: address, user: decodeURIComponent(username), path, secret, key, hostKey };
  }
  if (protocol === "s3:") {
    const { LITESTREAM_ACCESS_KEY_ID: id, LITESTREAM_SECRET_ACCESS_KEY: secret } = env;
    const { ARLENT_REPLICA_ENDPOINT: endpoint, ARLENT_REPLICA_REGION: region = "us-east-1" } = env;
    if (!host) throw new Error(`ARLENT_REPLICA names a bucket, as s3://bucket/copies, not “${text}”.`);
    if (!id || !secret)
      throw new Error(
        "A copy in S3-like storage needs LITESTREAM_ACCESS_KEY_ID and LITESTREAM_SECRET_ACCESS_KEY.",
      );
    if (endpoint && !/^https?:\/\/[^/]+$/.test(endpoint))
      throw new Error(`ARLENT_REPLICA_ENDPOINT is an address as https://hall.local:9000, not “${endpoint}”.`);
    return { kind: "s3", bucket: host, path: path.slice(1), endpoint, region };
  }
  throw new Error(`ARLENT_REPLICA is a folder, sftp:// or s3://, not “${text}”.`);
}

/** The standing copy a server is asked to keep, or null; one line and an end where it cannot be kept. */
export function replicaWanted(database) {
  const { ARLENT_REPLICA: text } = process.env;
  if (!text) return null;
  try {
    if (!SCHEME.test(text) && !isAbsolute(text))
      throw new Error(`ARLENT_REPLICA is a whole path, not “${text}”.`);
    const target = replicaTarget(text);
    if (target.folder === resolve(database, ".."))
      throw new Error("ARLENT_REPLICA is another folder than the database's own.");
    if (!litestream())
      throw new Error(
        "ARLENT_REPLICA needs Litestream, and its package brings none for this machine: npm install @flydotio/litestream.",
      );
    return target;
  } catch ({ message }) {
    return fail(message);
  }
}

/**
 * The same target by a way that lets the server through whose key was named and no other: by SFTP through a program of this
 * machine, which ends with this one. @returns the target, and what ends the way.
 */
export function pinned(target) {
  if (target.kind !== "sftp") return Promise.resolve({ target, close: () => {} });
  // Put together as one file, a program lies a folder deeper than the scripts it was made of.
  const program =
    [root, dirname(root)]
      .map((folder) => join(folder, "scripts/pinned.mjs"))
      .find((path) => existsSync(path)) ?? "";
  const child = spawn(process.execPath, [program, target.host, target.hostKey], {
    stdio: ["pipe", "pipe", "inherit"],
  });
  const close = () => void child.stdin.destroy();
  child.stdin.on("error", () => {});
  return new Promise((done, failed) => {
    child.once("error", failed);
    child.once("exit", (code) => failed(new Error(`The way to the SFTP server ended (${code}).`)));
    child.stdout.once("data", (text) =>
      done({ target: { ...target, host: `127.0.0.1:${String(text).trim()}` }, close }),
    );
  });
}

/** A copier's settings for one replica, as JSON, which YAML takes. */
function replica(target, what) {
  const often = { "sync-interval": "1s", "snapshot-interval": "24h", retention: "72h" };
  if (target.kind === "folder") return { type: "file", path: join(target.folder, what), ...often };
  const path = [target.path, what].filter(Boolean).join("/");
  if (target.kind === "sftp") {
    const { host, user, secret: password, key } = target;
    return { type: "sftp", host, user, path, ...(key ? { "key-path": key } : { password }), ...often };
  }
  const { bucket, region, endpoint } = target;
  return {
    type: "s3",
    bucket,
    path,
    region,
    ...(endpoint ? { endpoint, "force-path-style": true } : {}),
    ...often,
  };
}

/** Beside a database whose copy goes over the network, its photographs as one database, copied by the same copier. */
export const photographsOf = (database) => `${database}.photographs`;

/** What a copier is given, in JSON. @param port where it answers how far it is. */
export const copierSettings = (target, database, port) =>
  JSON.stringify({
    ...(port ? { addr: `127.0.0.1:${port}` } : {}),
    // What goes wrong is shown where the server was started.
    logging: { level: "warn", stderr: true },
    dbs: [
      { path: database, replicas: [replica(target, "record")] },
      ...(target.kind === "folder"
        ? []
        : [{ path: photographsOf(database), replicas: [replica(target, "photographs")] }]),
    ],
  });

/** Writes what a copier is given where nobody else reads it: it may hold a password. */
export const writeSettings = (file, settings) => writeFileSync(file, settings, { mode: 0o600 });

/** Folds what stands in a write-ahead log into its database: whoever lets go of a file last does it. */
function fold(database) {
  if (!existsSync(`${database}-wal`)) return;
  const Database = createRequire(join(root, "package.json"))("better-sqlite3");
  const file = new Database(database);
  file.pragma("wal_checkpoint(TRUNCATE)");
  file.close();
}

/** A copier left over from a server that was killed would write the same copy: it is ended first, and what watches it. */
function endStale(note) {
  try {
    const pid = Number(readFileSync(note, "utf8"));
    if (readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("litestream")) process.kill(-pid, "SIGKILL");
  } catch {
    // None was left, or it is gone.
  }
}

/**
 * Runs a program for as long as what it reads from is held open: that closes when whoever started it ends, however that
 * ends. Then the program is told to stop, and its own end is passed on. By TERM: a shell starts what runs in its
 * background with INT ignored, so a program that has not set up its own handling yet would miss an INT and stay.
 */
export const WATCHED =
  '"$@" & pid=$!; (cat >/dev/null; kill -TERM $pid 2>/dev/null) <&3 & wait $pid; exit $?';

const LONGEST_WAIT_MS = 30_000;

/** Copies for as long as the server runs; started again, ever later, where it ends by itself. @returns stops it, and waits. */
export function keepCopying(database, target, port) {
  const note = `${database}.copier`;
  endStale(note);
  if (target.folder) mkdirSync(join(target.folder, "record"), { recursive: true });
  writeSettings(`${note}.yml`, copierSettings(target, database, port));
  let stopping = false;
  let wait = 1_000;
  let child = null;
  let again = null;
  const start = () => {
    const begun = Date.now();
    const copier = [litestream(), "replicate", "-no-expand-env", "-config", `${note}.yml`];
    // Out of the terminal's own group: a Ctrl+C ends the server first, and the copier when that is done.
    child = spawn("/bin/sh", ["-c", WATCHED, "sh", ...copier], {
      detached: true,
      stdio: ["ignore", "ignore", "inherit", "pipe"],
    });
    if (child.pid) writeFileSync(note, String(child.pid));
    const held = child.stdio[3];
    held.on("error", () => {});
    child.once("exit", () => held.destroy());
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
        for (const file of [database, photographsOf(database)]) fold(file);
        done();
      };
      if (!child || child.exitCode !== null || child.signalCode !== null) return ended();
      child.once("exit", ended);
      child.stdio[3].destroy();
    });
}
