import { readdirSync, rmSync } from "node:fs";
import { join } from "node:path";

/** The part of a name that says which process works under it: `.4711.`. */
export const ownMark = (): string => `.${process.pid}.`;

const MARK = /\.(\d+)\./g;

/** Whether a process of this machine still runs. */
function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // One of another user runs, and is not ours to signal.
    return error instanceof Error && "code" in error && error.code === "EPERM";
  }
}

/**
 * Takes away what processes that were killed left in a folder: names that begin so and are marked with a process that is
 * gone.
 * @returns the names.
 */
export function clearLitter(folder: string, begins: (name: string) => boolean): string[] {
  const left = namesIn(folder).filter((name) => {
    const pid = [...name.matchAll(MARK)].at(-1)?.[1];
    return pid !== undefined && begins(name) && !isRunning(Number(pid));
  });
  for (const name of left) rmSync(join(folder, name), { recursive: true, force: true });
  return left;
}

function namesIn(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}
