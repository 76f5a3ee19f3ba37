import { existsSync, mkdirSync, readdirSync, statSync } from "node:fs";
import { copyFile, rename } from "node:fs/promises";
import { dirname, join, resolve } from "node:path";

/** Where a standing copy keeps the record, and its photographs. */
export const COPIED_RECORD = "record";
export const COPIED_PHOTOS = "photos";
const LOOK_MS = 2_000;
/** What the page states: a change is in the copy so many seconds later at most, while both disks answer. */
export const COPIED_WITHIN_S = 5;

const PHOTO = /^[0-9a-f]{64}\.jpg$/;

const photosIn = (folder: string): string[] =>
  existsSync(folder) ? readdirSync(folder).filter((name) => PHOTO.test(name)) : [];

/** Copies photographs that are not in the copy yet, each whole or not at all. @returns how many. */
export async function copyPhotographs(database: string, folder: string): Promise<number> {
  const [from, to] = [join(dirname(resolve(database)), "photos"), join(folder, COPIED_PHOTOS)];
  mkdirSync(to, { recursive: true });
  const there = new Set(photosIn(to));
  const missing = photosIn(from).filter((name) => !there.has(name));
  for (const name of missing) {
    const part = join(to, `${name}.part`);
    await copyFile(join(from, name), part);
    await rename(part, join(to, name));
  }
  return missing.length;
}

let problem: string | null = null;

/** Copies new photographs for as long as the server runs. */
export function keepPhotographsCopied(database: string, folder: string | undefined): void {
  if (!folder) return;
  let busy = false;
  setInterval(() => {
    if (busy) return;
    busy = true;
    copyPhotographs(database, folder)
      .then(
        () => {
          problem = null;
        },
        (error: unknown) => {
          problem = error instanceof Error ? error.message : String(error);
        },
      )
      .finally(() => {
        busy = false;
      });
  }, LOOK_MS).unref();
}

/** When the newest file below a folder was written, milliseconds since the epoch; 0 for none. */
function newestBelow(folder: string): number {
  if (!existsSync(folder)) return 0;
  return Math.max(
    0,
    ...readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((one) => one.isFile())
      .map(({ parentPath, name }) => statSync(join(parentPath, name)).mtimeMs),
  );
}

const writtenAt = (path: string): number => (existsSync(path) ? statSync(path).mtimeMs : 0);

/** How it stands with the standing copy: how far it is behind, seconds, and why where it is too far. */
export function replicaState(
  database: string,
  folder: string | undefined,
  now = Date.now(),
): { readonly folder: string; readonly behind: number; readonly problem: string | null } | null {
  if (!folder) return null;
  const copied = newestBelow(join(folder, COPIED_RECORD));
  const written = Math.max(writtenAt(database), writtenAt(`${database}-wal`));
  const behind =
    copied === 0 ? (now - writtenAt(database)) / 1000 : copied >= written ? 0 : (now - copied) / 1000;
  return {
    folder,
    behind: Math.round(behind),
    problem:
      problem ??
      (behind > COPIED_WITHIN_S * 4
        ? "Nothing was copied for a while: look at what the server wrote where it was started."
        : null),
  };
}
