import "@/messages/speak";

import { spawnSync } from "node:child_process";
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { dirname, join, resolve } from "node:path";
import { problemOf } from "@/core";
import { checkCopiedSeals, signedSealIn } from "@/service/keeping/kept-seals";
import { openToLook } from "@/service/keeping/open-to-look";
import { isWholePhoto, PHOTO_FILE, packedPhotographs, packedSeals } from "@/service/keeping/photo-pack";
import { checkWholeRecord } from "@/service/keeping/record-check";
import { COPIED_PHOTOS, COPIED_SEALS } from "@/service/keeping/replica";
import {
  copierSettings,
  litestream,
  photographsOf,
  pinned,
  type ReplicaTarget,
  replicaTarget,
  writeSettings,
} from "../../scripts/replica.mjs";

/** A copy that lies over a network breaks off now and then: it is read so often before that is shown. */
const TRIES = 3;

/** Reads one database of the copy, as it was at a moment or as it is. @returns what went wrong, or null. */
function read(settings: string, path: string, into: string, at?: string): string | null {
  const moment = at ? ["-timestamp", at] : [];
  const output = copier(["restore", ...CONFIG, settings, ...moment, "-o", into, path]);
  if (output.status === 0 || /no matching backups found/.test(output.stderr)) return null;
  // Start a half-written copy again from the beginning.
  for (const end of ["", ".tmp", "-wal", "-shm"]) rmSync(into + end, { force: true });
  return output.stderr.trim();
}

const CONFIG = ["-no-expand-env", "-config"] as const;

function copier(args: readonly string[]) {
  const program = litestream();
  if (!program) throw new Error("Litestream is not here: npm install @flydotio/litestream.");
  return spawnSync(program, args, { encoding: "utf8" });
}

/** So many of a copy's newest parts are looked behind: a server dies in the middle of one of each of its files at most. */
const LOOKED_BEHIND = 3;

/** Moments before each of a copy's newest parts came, the newest first. (Litestream 0.3.13's own lists, whole seconds.) */
function earlier(settings: string, path: string): readonly string[] {
  const came = ["wal", "snapshots"].flatMap((list) =>
    [...copier([list, ...CONFIG, settings, path]).stdout.matchAll(/\s(\S+)$/gm)]
      .map(([, at = ""]) => Date.parse(at))
      .filter(Number.isFinite),
  );
  return [...new Set(came)]
    .sort((a, b) => b - a)
    .slice(0, LOOKED_BEHIND)
    .flatMap((at) => [at, at - 1000])
    .map((at) => new Date(at).toISOString().replace(".000Z", "Z"));
}

/**
 * Takes one database out of the copy. Where that cannot be read to its end, as it was before its last part came: where files
 * are not put in place whole, a server that dies leaves half of one. @throws Error where nothing of it can be read.
 * @returns null where it holds none; else up to when, null for all of it.
 */
function restored(settings: string, path: string, into: string): { readonly until: string | null } | null {
  const taken = (until: string | null) => (existsSync(into) ? { until } : null);
  let message: string | null = null;
  for (let tries = 0; tries < TRIES; tries++) {
    message = read(settings, path, into);
    if (message === null) return taken(null);
  }
  for (const at of earlier(settings, path))
    if (read(settings, path, into, at) === null && existsSync(into)) return taken(at);
  throw new Error(`The copy could not be read: ${message}.`);
}

/** Photographs of a copy that are not in a folder yet. */
function* photographs(
  copy: ReplicaTarget,
  pack: string | null,
): Generator<{ name: string; put: (to: string) => void }> {
  if (copy.kind === "folder") {
    const folder = join(copy.folder, COPIED_PHOTOS);
    for (const name of existsSync(folder) ? readdirSync(folder) : [])
      if (PHOTO_FILE.test(name)) yield { name, put: (to) => copyFileSync(join(folder, name), to) };
  } else if (pack)
    for (const { name, bytes } of packedPhotographs(pack))
      yield { name, put: (to) => writeFileSync(to, bytes) };
}

/** The signed seals that lie in a copy. */
function copiedSeals(copy: ReplicaTarget, pack: string | null): string[] {
  if (copy.kind !== "folder") return pack === null ? [] : packedSeals(pack).filter(signedSealIn);
  const file = join(copy.folder, COPIED_SEALS);
  return existsSync(file) ? readFileSync(file, "utf8").split("\n").filter(signedSealIn) : [];
}

/**
 * Makes a database of a standing copy, where none is, and checks it. Ends 2 where none was made, 1 where the check finds
 * anything: the database is there all the same, and what was found is shown.
 */
async function main(): Promise<number> {
  const [from, database, ...others] = process.argv.slice(2);
  if (!from || !database || others.length > 0)
    throw new Error(
      "npm run -s standby -- COPY DATABASE: what ARLENT_REPLICA said, and the database to make.",
    );
  const wanted = replicaTarget(from);
  const target = resolve(database);
  const taken = ["", "-wal", "-shm"].map((end) => target + end).find((path) => existsSync(path));
  if (taken) throw new Error(`${taken} exists already. Nothing was overwritten.`);
  mkdirSync(dirname(target), { recursive: true });
  // All that is no database yet lies in one folder: what a kill leaves of it is cleared away by the next try.
  const drafts = `${target}.standby`;
  const [part, pack, settings] = [
    join(drafts, "record.db"),
    join(drafts, "photographs.db"),
    join(drafts, "copier.yml"),
  ] as const;
  rmSync(drafts, { recursive: true, force: true });
  mkdirSync(drafts, { mode: 0o700 });
  let seals: readonly string[] = [];
  const { target: copy, close } = await pinned(wanted);
  try {
    writeSettings(settings, copierSettings(copy, target));
    const record = restored(settings, target, part);
    if (!record) throw new Error("The copy could not be read: it holds no record.");
    const packed = copy.kind === "folder" ? null : restored(settings, photographsOf(target), pack);
    seals = copiedSeals(copy, packed ? pack : null);
    const photos = join(dirname(target), "photos");
    mkdirSync(photos, { recursive: true });
    for (const { name, put } of photographs(copy, packed ? pack : null))
      if (!isWholePhoto(join(photos, name))) {
        // Whole or not at all: a kill in the middle of it leaves nothing under that name.
        put(join(drafts, name));
        renameSync(join(drafts, name), join(photos, name));
      }
    renameSync(part, target);
    const halves = { "ends and events": record.until, photographs: packed?.until };
    for (const [half, until] of Object.entries(halves))
      if (until)
        console.log(
          `The last part of the copy could not be read, as one half written: the ${half} are as of ${until}.`,
        );
  } finally {
    close();
    rmSync(drafts, { recursive: true, force: true });
  }
  const looked = openToLook(target);
  const { findings: sealed, over } = checkCopiedSeals(looked.store, seals);
  if (over > 0)
    console.log(
      `The copy ends before ${over} of its ${seals.length} seals: what was stored last is not in it.`,
    );
  const findings = [...checkWholeRecord(looked.store)].flatMap((stretch) => stretch.findings);
  const match = [...findings, ...sealed].filter(({ note }) => !note);
  looked.close();
  for (const { name, what: detail } of match) console.error(`${name}: ${detail}`);
  console.log(
    `${target} is made of the copy; ${match.length === 0 ? "it is whole" : `${match.length} found, see above`}.`,
  );
  return match.length === 0 ? 0 : 1;
}

try {
  process.exitCode = await main();
} catch (error) {
  console.error(problemOf(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exitCode = 2;
}
