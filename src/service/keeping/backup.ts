import { createHash } from "node:crypto";
import {
  closeSync,
  createReadStream,
  createWriteStream,
  existsSync,
  fsyncSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { type Pack, pack } from "tar-stream";
import { z } from "zod";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import { clearLitter, ownMark } from "@/store/database/litter";
import { PROGRAM } from "@/store/database/program";
import type { Store } from "@/store/database/store";
import { photographsIn, photoPath } from "@/store/record/photos";
import { encryptedTo } from "./age";
import { newestSeals } from "./kept-seals";

/** The first file of a backup: what it is, and what must be in it. */
export const zManifest = z.strictObject({
  arlent: z.literal("backup"),
  v: z.literal(1),
  program: z.string(),
  at: z.iso.datetime(),
  ends: z.int(),
  photographs: z.int(),
});
export type Manifest = z.output<typeof zManifest>;

/** What the files of a backup are called. */
export const MANIFEST = "arlent-backup.json";
export const RECORD = "record.db";
/** The signed seals the record was under, a line each: in backups from this program on. */
export const SEALS = "seals.txt";
export const PHOTO = /^photos\/([0-9a-f]{64})\.jpg$/;

/** A backup's file name: when it was made, to the second, and whether it is encrypted. */
export const backupName = (at: Date, isEncrypted = false): string =>
  `arlent-${at.toISOString().slice(0, 19).replaceAll(":", "").replace("T", "-")}.tar${isEncrypted ? ".age" : ""}`;

interface Copied {
  readonly manifest: Manifest;
  readonly database: string;
  readonly photographs: readonly string[];
  readonly drop: () => void;
}

/** The record as it is at one moment, copied while it goes on being written (SQLite's online backup). */
async function copied(store: Store, at: Date): Promise<Copied> {
  const folder = mkdtempSync(join(tmpdir(), `arlent-backup${ownMark()}`));
  const drop = () => rmSync(folder, { recursive: true, force: true });
  try {
    const database = join(folder, RECORD);
    await store.$client.backup(database);
    const photographs = photographsIn(store).filter((hash) => existsSync(photoPath(store, hash)));
    const ends = store.$client.prepare<[], { n: number }>("SELECT count(*) AS n FROM ends").get()?.n ?? 0;
    const manifest: Manifest = {
      arlent: "backup",
      v: 1,
      program: PROGRAM,
      at: at.toISOString(),
      ends,
      photographs: photographs.length,
    };
    return { manifest, database, photographs, drop };
  } catch (error) {
    drop();
    throw error;
  }
}

/** Puts a file of the disk into an archive, without holding it in memory. */
async function put(archive: Pack, name: string, path: string): Promise<void> {
  await pipeline(createReadStream(path), archive.entry({ name, size: statSync(path).size }));
}

/** So many seals go with a backup: the newest. */
const MOST_SEALS = 100;

const sealsText = ({ $client: { name } }: Store): string =>
  newestSeals(name, MOST_SEALS)
    .map(({ text }) => `${text}\n`)
    .join("");

/** So many backups are read at once: each is a copy of the whole record on this machine's disk. */
const MOST_AT_ONCE = 2;
let readers = 0;

/**
 * A backup as it is read: a tar archive of the record and its photographs, which any archive program opens. The record
 * may be written all the while.
 * @throws InputError `too-often` where as many are being read already as may be.
 */
export async function backupStream(store: Store, at = new Date()): Promise<Readable> {
  if (readers >= MOST_AT_ONCE)
    throw new InputError("too-often", say("backups-are-being-read-already", { most: MOST_AT_ONCE }));
  readers += 1;
  const { manifest, database, photographs, drop } = await copied(store, at).catch((error: unknown) => {
    readers -= 1;
    throw error;
  });
  const archive = pack();
  const fill = async () => {
    archive.entry({ name: MANIFEST }, JSON.stringify(manifest, null, 2));
    archive.entry({ name: SEALS }, sealsText(store));
    await put(archive, RECORD, database);
    for (const hash of photographs) await put(archive, `photos/${hash}.jpg`, photoPath(store, hash));
    archive.finalize();
  };
  // The client may leave before it is whole: its files are removed then, without a message.
  archive.on("error", () => undefined);
  fill()
    .catch((error) => archive.destroy(error))
    .finally(() => {
      readers -= 1;
      drop();
    });
  return Readable.from(archive);
}

/** Takes away what was being copied or written when its process was killed. */
export function clearBackupLitter(folder: string | null): void {
  clearLitter(tmpdir(), (name) => /^arlent-(backup|look|drill)\./.test(name));
  if (folder) clearLitter(folder, (name) => /^arlent-[\d-]+\.tar(\.age)?\..*part$/.test(name));
}

/**
 * Writes a backup under a name that does not exist yet: whole on the disk, or not there at all.
 * @param recipient whom it is encrypted to (age); null for a plain one.
 * @throws InputError `id-taken` where there is such a file; `bad-input` for no recipient.
 */
export async function backupInto(
  store: Store,
  file: string,
  at = new Date(),
  recipient: string | null = null,
): Promise<void> {
  const path = resolve(file);
  if (existsSync(path))
    throw new InputError("id-taken", say("there-is-already-a-file-nothing-was", { path }), ["file"]);
  mkdirSync(dirname(path), { recursive: true });
  const part = `${path}${ownMark()}part`;
  try {
    const stream = await backupStream(store, at);
    await pipeline(recipient ? await encryptedTo(stream, recipient) : stream, createWriteStream(part));
    flushed(part);
    renameSync(part, path);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/** Waits until a file is on the disk. */
export function flushed(path: string): void {
  const file = openSync(path, "r+");
  fsyncSync(file);
  closeSync(file);
}

export const sha256Of = async (path: string): Promise<string> => {
  const hash = createHash("sha256");
  await pipeline(createReadStream(path), hash);
  return hash.digest("hex");
};

const NAMED = /^arlent-(\d{4}-\d{2}-\d{2})-(\d{2})(\d{2})(\d{2})\.tar(?:\.age)?$/;

interface Kept {
  readonly name: string;
  /** When it was made, by its name. */
  readonly at: Date;
  readonly bytes: number;
}

/** Backups of a folder, the newest first. */
export const backupsIn = (folder: string): readonly Kept[] =>
  (statSync(folder, { throwIfNoEntry: false })?.isDirectory() ? readdirSync(folder) : [])
    .flatMap((name): Kept[] => {
      const [, day, hour, minute, second] = NAMED.exec(name) ?? [];
      const at = new Date(`${day}T${hour}:${minute}:${second}Z`);
      return Number.isNaN(at.getTime()) ? [] : [{ name, at, bytes: statSync(join(folder, name)).size }];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
