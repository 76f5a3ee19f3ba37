import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { extract } from "tar-stream";
import { check, InputError, type RecordFinding } from "@/core";
import { say } from "@/messages/service";
import { clearLitter, ownMark } from "@/store/database/litter";
import { openToLook } from "@/store/opening/read-only";
import { isWholePhoto } from "@/store/record/photos";
import { decryptedBy, isEncrypted } from "./age";
import { flushed, MANIFEST, type Manifest, PHOTO, RECORD, SEALS, sha256Of, zManifest } from "./backup";
import { checkCarriedSeals } from "./kept-seals";
import { checkWholeRecord } from "./record-check";

export interface Restored {
  readonly manifest: Manifest;
  /** Files of an earlier database that lay beside the new one's place, and what they are called now. */
  readonly movedAside: readonly string[];
}

const broken = (why: string, cause?: unknown) =>
  new InputError("not-a-backup", say("this-is-no-whole-backup-of-arlent", { why }), ["backup"], {
    cause,
  });

/**
 * Puts a backup back where no record is: unpacked beside its place, checked, and moved there only when whole. What exists
 * is never written over; a write-ahead log left there by an earlier database is moved aside, for it would be read into
 * this one.
 * @param identity what an encrypted backup is read by (age).
 * @throws InputError `id-taken`, `not-a-backup`, or `altered` with the first findings.
 */
export async function restore(
  backup: string,
  database: string,
  now = new Date(),
  identity: string | null = null,
): Promise<Restored> {
  const target = resolve(database);
  if (existsSync(target))
    throw new InputError("id-taken", say("there-is-already-a-database-nothing-was", { target }), ["file"]);
  if (!existsSync(backup))
    throw new InputError("not-found", say("there-is-no-file-2", { backup }), ["backup"]);
  mkdirSync(dirname(target), { recursive: true });
  // What a restore left that was killed is no record: this one goes on without it.
  clearLitter(dirname(target), (name) => name.startsWith(`${basename(target)}.restoring.`));
  const running = readdirSync(dirname(target)).find((name) =>
    name.startsWith(`${basename(target)}.restoring`),
  );
  if (running)
    throw new InputError("id-taken", say("exists-another-restore-is-running-or-was", { folder: running }), [
      "file",
    ]);
  const folder = `${target}.restoring${ownMark()}d`;
  mkdirSync(folder);
  try {
    const { manifest, photographs } = await unpacked(await plain(backup, identity), folder);
    mustBeSound(join(folder, RECORD), sealsIn(join(folder, SEALS)));
    const movedAside = putAside(target, now);
    const photos = join(dirname(target), "photos");
    if (photographs.length > 0) mkdirSync(photos, { recursive: true });
    for (const name of photographs)
      if (!isWholePhoto(join(photos, name))) renameSync(join(folder, "photos", name), join(photos, name));
    writeFileSync(restoreNote(target), `${basename(backup)} of ${manifest.at}`, { mode: 0o600 });
    // The record last: until it is there, nothing is restored.
    renameSync(join(folder, RECORD), target);
    return { manifest, movedAside };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A backup as it is read, decrypted where it is encrypted. */
async function plain(backup: string, identity: string | null): Promise<Readable> {
  const stream = createReadStream(backup);
  return (await isEncrypted(backup)) ? decryptedBy(stream, identity) : stream;
}

/** Where it stands that a record was put back, until the server that serves it next has entered that in its log. */
export const restoreNote = (database: string): string => `${database}.restored`;

async function unpacked(
  backup: Readable,
  folder: string,
): Promise<{ manifest: Manifest; photographs: readonly string[] }> {
  const matches: string[] = [];
  const archive = extract();
  const reading = pipeline(backup, archive).catch((cause) => cause);
  try {
    for await (const entry of archive) {
      const { name } = entry.header;
      const photo = PHOTO.exec(name);
      if (
        entry.header.type !== "file" ||
        matches.includes(name) ||
        !(photo || [MANIFEST, RECORD, SEALS].includes(name))
      )
        throw broken(`it holds “${name.slice(0, 80)}”, which no backup does`);
      const path = join(folder, name);
      if (photo) mkdirSync(dirname(path), { recursive: true });
      await pipeline(entry, createWriteStream(path));
      if (photo && (await sha256Of(path)) !== photo[1])
        throw broken(`the photograph ${name} is not what it was`);
      flushed(path);
      matches.push(name);
    }
    const failure = await reading;
    if (failure) throw failure;
  } catch (error) {
    throw error instanceof InputError ? error : broken("it is torn, or no archive", error);
  }
  for (const needed of [MANIFEST, RECORD])
    if (!matches.includes(needed)) throw broken(`${needed} is missing`);
  const manifest = manifestOf(join(folder, MANIFEST));
  const photographs = matches.flatMap((name) => (PHOTO.test(name) ? [name.slice("photos/".length)] : []));
  if (photographs.length !== manifest.photographs)
    throw broken(`it should hold ${manifest.photographs} photographs and holds ${photographs.length}`);
  return { manifest, photographs };
}

function manifestOf(path: string): Manifest {
  try {
    if (statSync(path).size > 10_000) throw broken(`${MANIFEST} is too long`);
    return check(zManifest, JSON.parse(readFileSync(path, "utf8")));
  } catch (error) {
    throw broken(`${MANIFEST} cannot be read`, error);
  }
}

/** The seals that came with a backup, a line each; none with one of an earlier program. */
const sealsIn = (path: string): string[] =>
  existsSync(path) ? readFileSync(path, "utf8").split("\n").filter(Boolean) : [];

/** @throws InputError `altered` where the record's own check finds anything. */
function mustBeSound(file: string, seals: readonly string[]): void {
  const looked = openToLook(file);
  try {
    const findings: RecordFinding[] = checkCarriedSeals(looked.store, seals);
    for (const stretch of checkWholeRecord(looked.store))
      findings.push(...stretch.findings.filter(({ note }) => !note));
    if (findings.length > 0)
      throw new InputError(
        "altered",
        say("the-record-in-this-backup-is-not", {
          count: findings.length,
          first: findings
            .slice(0, 3)
            .map(({ name, what: detail }) => `${name}: ${detail}`)
            .join(" "),
        }),
        ["backup"],
      );
  } finally {
    looked.close();
  }
}

function putAside(target: string, now: Date): string[] {
  const stamp = now.toISOString().slice(0, 19).replaceAll(":", "");
  return ["-wal", "-shm", "-journal", ".seals"].flatMap((end) => {
    if (!existsSync(target + end)) return [];
    const aside = `${target}${end}.before-${stamp}`;
    renameSync(target + end, aside);
    return [aside];
  });
}
