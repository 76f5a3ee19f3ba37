import { rmSync } from "node:fs";
import { join } from "node:path";
import type { z } from "zod";
import { problemOf, type zBackupsAnswer } from "@/core";
import { processWide } from "@/store/database/process-wide";
import type { Store } from "@/store/database/store";
import { troubleOf } from "@/store/database/trouble";
import { databaseFile } from "@/store/opening/open";
import { backupInto, backupName, backupsIn } from "./backup";
import { keepSeal } from "./kept-seals";
import { replicaState } from "./replica";

/** So many are kept; the oldest make room. */
export const KEPT = 30;
const HOUR_MS = 3_600_000;
/** How often it is looked whether one is due. */
const LOOK_MS = 60_000;

interface Schedule {
  readonly folder: string;
  readonly hours: number;
}

/** What the environment asks for: ARLENT_BACKUP names a folder, ARLENT_BACKUP_HOURS how often; once a day if it does not. */
export function scheduleOf(env: Readonly<Record<string, string | undefined>>): Schedule | null {
  const folder = env.ARLENT_BACKUP;
  if (!folder) return null;
  const hours = Number(env.ARLENT_BACKUP_HOURS ?? 24);
  return { folder, hours: Number.isFinite(hours) && hours > 0 ? hours : 24 };
}

/** Why the last try failed; null where it did not. */
const state = processWide<{ problem: string | null }>("backups", () => ({ problem: null }));

/** Makes a backup where one is due, and lets the oldest beyond those kept go. @returns whether one was made. */
export async function backupIfDue(
  store: Store,
  { folder, hours }: Schedule,
  now = new Date(),
): Promise<boolean> {
  // One of a time to come, from before the clock was set back, does not count.
  const newest = backupsIn(folder).find(({ at }) => at <= now);
  if (newest && now.getTime() - newest.at.getTime() < hours * HOUR_MS) return false;
  await backupInto(store, join(folder, backupName(now)), now);
  if (store.$client.name !== ":memory:") keepSeal(store, store.$client.name);
  for (const { name } of backupsIn(folder).slice(KEPT)) rmSync(join(folder, name), { force: true });
  return true;
}

/** Looks every minute whether a backup is due, for as long as the server runs. */
export function keepBackups(store: Store, schedule: Schedule | null): void {
  if (schedule === null) return;
  const look = () =>
    backupIfDue(store, schedule).then(
      () => {
        state.problem = null;
      },
      (error: unknown) => {
        state.problem = (problemOf(error) ?? troubleOf(error)?.problem)?.message ?? String(error);
        console.error(`No backup could be made: ${state.problem}`);
      },
    );
  void look();
  setInterval(look, LOOK_MS).unref();
}

/** How it stands with backups made by themselves. */
export function scheduled(): z.output<typeof zBackupsAnswer> {
  const schedule = scheduleOf(process.env);
  const [newest] = schedule ? backupsIn(schedule.folder) : [];
  return {
    every: schedule?.hours ?? null,
    last: newest ? { ...newest, at: newest.at.toISOString() } : null,
    problem: state.problem,
    copy: replicaState(databaseFile(), process.env.ARLENT_REPLICA),
  };
}
