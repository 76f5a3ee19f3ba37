import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from "node:fs";
import { copyFile, rename } from "node:fs/promises";
import { basename, dirname, join } from "node:path";
import { processWide } from "@/store/database/process-wide";
import { sealLines, sealsFile } from "./kept-seals";
import { packPhotographs, packSeals, photographsBeside } from "./photo-pack";

/** Where a standing copy in a folder keeps photographs. */
export const COPIED_PHOTOS = "photos";
const LOOK_MS = 2_000;
/** What the page states: a change is in the copy so many seconds later at most, while both disks answer. */
export const COPIED_WITHIN_S = 5;

/** Copies photographs that are not in the copy yet, each whole or not at all. @returns how many. */
export async function copyPhotographs(database: string, folder: string): Promise<number> {
  const { folder: from, names } = photographsBeside(database);
  const to = join(folder, COPIED_PHOTOS);
  mkdirSync(to, { recursive: true });
  const there = new Set(readdirSync(to));
  const missing = names.filter((name) => !there.has(name));
  for (const name of missing) {
    const part = join(to, `${name}.part`);
    await copyFile(join(from, name), part);
    await rename(part, join(to, name));
  }
  return missing.length;
}

/** What a standing copy in a folder calls the seals its record was under. */
export const COPIED_SEALS = "seals.txt";

/** Copies the seals where they are others than in the copy, whole or not at all. */
export async function copySeals(database: string, folder: string): Promise<void> {
  const [from, to] = [sealsFile(database), join(folder, COPIED_SEALS)];
  if (!existsSync(from)) return;
  if (existsSync(to) && readFileSync(to, "utf8") === readFileSync(from, "utf8")) return;
  await copyFile(from, `${to}.part`);
  await rename(`${to}.part`, to);
}

/** How it stands: why the last look failed, and when all was last seen to be in the copy, milliseconds since the epoch. */
const state = processWide<{ problem: string | null; levelAt: number }>("copy", () => ({
  problem: null,
  levelAt: 0,
}));

/** A copier looks at its databases so often: what it says may be as old. */
const LOOKED_EVERY_MS = 1_000;

/**
 * Bytes of one part of a database's log, as the copier keeps it beside the database until it is copied; infinite where
 * there is none to be read. (Litestream 0.3.13's own folder; its figures give all parts together.)
 */
export function logSize(database: string, index: number): number {
  const saved = join(dirname(database), `.${basename(database)}-litestream`);
  try {
    const generation = readFileSync(join(saved, "generation"), "utf8").trim();
    const part = `${index.toString(16).padStart(8, "0")}.wal`;
    return statSync(join(saved, "generations", generation, "wal", part)).size;
  } catch {
    return Number.POSITIVE_INFINITY;
  }
}

/** One figure of each database a copier speaks of. */
function figuresOf(text: string, name: string): Map<string, number> {
  const line = new RegExp(`^litestream_${name}\\{db="((?:[^"\\\\]|\\\\.)*)"[^}]*\\} (\\S+)$`, "gm");
  const unescaped = (label: string) => label.replace(/\\(.)/g, (_, of) => (of === "n" ? "\n" : of));
  return new Map([...text.matchAll(line)].map(([, db = "", value]) => [unescaped(db), Number(value)]));
}

/**
 * Whether a copier has copied all of some databases, of its figures in the Prometheus text format: the place each has come
 * to beside the end of its own log. A copier that speaks of others is another server's: it says nothing of these.
 */
export function isLevel(
  figures: string,
  databases: readonly string[],
  size: (database: string, index: number) => number,
): boolean {
  const [index, offset, seen] = [
    figuresOf(figures, "replica_wal_index"),
    figuresOf(figures, "replica_wal_offset"),
    figuresOf(figures, "shadow_wal_index"),
  ];
  return databases.every((db) => {
    const at = seen.get(db);
    return at !== undefined && index.get(db) === at && (offset.get(db) ?? 0) >= size(db, at);
  });
}

/** The copier: where it says how far it is, and, over the network, the database it copies photographs from. */
interface Copier {
  readonly figures: string | undefined;
  readonly pack: string | undefined;
}

/** Asks the copier how far it is. */
async function ask(figures: string, databases: readonly string[]): Promise<void> {
  const askedAt = Date.now();
  const answer = await fetch(figures).catch(() => null);
  if (answer?.ok && isLevel(await answer.text(), databases, logSize))
    state.levelAt = askedAt - LOOKED_EVERY_MS;
}

/** Copies new photographs for as long as the server runs. */
export function keepPhotographsCopied(database: string, target: string | undefined, copier: Copier): void {
  if (!target) return;
  let busy = false;
  const look = async () => {
    if (copier.pack) {
      packPhotographs(database, copier.pack);
      packSeals(copier.pack, sealLines(database));
    } else {
      await copyPhotographs(database, target);
      await copySeals(database, target);
    }
    if (copier.figures) await ask(copier.figures, copier.pack ? [database, copier.pack] : [database]);
  };
  const soon = () => {
    if (busy) return;
    busy = true;
    look()
      .then(
        () => {
          state.problem = null;
        },
        (error: unknown) => {
          state.problem = error instanceof Error ? error.message : String(error);
        },
      )
      .finally(() => {
        busy = false;
      });
  };
  soon();
  setInterval(soon, LOOK_MS).unref();
}

const writtenAt = (path: string): number => (existsSync(path) ? statSync(path).mtimeMs : 0);

/** How it stands with the standing copy: how far it is behind, seconds, and why where it is too far. */
export function replicaState(
  database: string,
  target: string | undefined,
  { levelAt, now } = { levelAt: state.levelAt, now: Date.now() },
): { readonly folder: string; readonly behind: number; readonly problem: string | null } | null {
  if (!target) return null;
  const written = Math.max(writtenAt(database), writtenAt(`${database}-wal`));
  const behind =
    levelAt === 0 ? (now - writtenAt(database)) / 1000 : levelAt >= written ? 0 : (now - levelAt) / 1000;
  return {
    folder: target,
    behind: Math.round(behind),
    problem:
      state.problem ??
      (behind > COPIED_WITHIN_S * 4
        ? "Nothing has been copied for a while. Look at the server's own output."
        : null),
  };
}
