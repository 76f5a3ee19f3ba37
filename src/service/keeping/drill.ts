import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { constants, setPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { ownMark } from "@/store/database/litter";

/** What came of putting a backup back into a scratch place. */
export interface Drill {
  readonly backup: string;
  readonly at: string;
  /** Why it could not be put back; null where it was, and was found whole. */
  readonly problem: string | null;
}

/**
 * Puts a backup back into a scratch place and removes it again: read, unpacked and its record checked, as whoever needs it
 * would. It runs as a program of its own, after all else on this machine.
 */
export async function drill(folder: string, backup: string, now = new Date()): Promise<Drill> {
  const scratch = mkdtempSync(join(tmpdir(), `arlent-drill${ownMark()}`));
  try {
    const problem = await restoredInto(join(folder, backup), join(scratch, "record.db"));
    return { backup, at: now.toISOString(), problem };
  } finally {
    rmSync(scratch, { recursive: true, force: true });
  }
}

function restoredInto(backup: string, database: string): Promise<string | null> {
  return new Promise((done) => {
    const child = spawn(process.execPath, ["scripts/restore.mjs", backup, database], {
      stdio: ["ignore", "ignore", "pipe"],
    });
    try {
      if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_LOW);
    } catch {
      // It has ended already.
    }
    let said = "";
    child.stderr.setEncoding("utf8").on("data", (text: string) => {
      said = `${said}${text}`.slice(-2_000);
    });
    child.once("error", (error) => done(error.message));
    child.once("close", (code) => done(code === 0 ? null : said.trim() || `exit ${code}`));
  });
}
