import { rmSync } from "node:fs";
import { join } from "node:path";
import type { z } from "zod";
import { problemOf, type zBackupsAnswer } from "@/core";
import { processWide } from "@/store/database/process-wide";
import type { Store } from "@/store/database/store";
import { troubleOf } from "@/store/database/trouble";
import { databaseFile } from "@/store/opening/open";
import { backupInto, backupName, backupsIn } from "./backup";
import { type Drill, drill } from "./drill";
import { keepSeal } from "./kept-seals";
import { replicaState } from "./replica";
import { backupsToDrop, type Retention, USUAL_RETENTION } from "./retention";

const HOUR_MS = 3_600_000;
/** How often it is looked whether one is due. */
const LOOK_MS = 60_000;

interface Schedule {
  readonly folder: string;
  readonly hours: number;
  /** Whom they are encrypted to; null for plain ones. */
  readonly recipient: string | null;
  readonly retention: Retention;
  /** Whether each is put back into a scratch place once it is made: one that is encrypted cannot be read here. */
  readonly drills: boolean;
}

const MB = 1_000_000;

const numberIn = (text: string | undefined): number | null => {
  const number = Number(text ?? Number.NaN);
  return Number.isFinite(number) && number > 0 ? number : null;
};

/** `14,8,12` as days, weeks and months; as usual where it is none. */
function retentionIn(keep: string | undefined, most: string | undefined): Retention {
  const [days, weeks, months] =
    /^(\d{1,4}),(\d{1,4}),(\d{1,4})$/
      .exec(keep ?? "")
      ?.slice(1)
      .map(Number) ?? [];
  const bytes = numberIn(most);
  return {
    days: days ?? USUAL_RETENTION.days,
    weeks: weeks ?? USUAL_RETENTION.weeks,
    months: months ?? USUAL_RETENTION.months,
    bytes: bytes === null ? null : bytes * MB,
  };
}

/**
 * What the environment asks for: ARLENT_BACKUP names a folder, ARLENT_BACKUP_HOURS how often (once a day if it does not),
 * ARLENT_BACKUP_KEEP days, weeks and months, ARLENT_BACKUP_MB what all may take, ARLENT_BACKUP_TO an age recipient.
 */
export function scheduleOf(env: Readonly<Record<string, string | undefined>>): Schedule | null {
  const folder = env.ARLENT_BACKUP;
  if (!folder) return null;
  const recipient = env.ARLENT_BACKUP_TO?.trim() || null;
  return {
    folder,
    hours: numberIn(env.ARLENT_BACKUP_HOURS) ?? 24,
    recipient,
    retention: retentionIn(env.ARLENT_BACKUP_KEEP, env.ARLENT_BACKUP_MB),
    drills: recipient === null && env.ARLENT_BACKUP_DRILL !== "no",
  };
}

/** Why the last try failed, null where it did not; and how the last one fared that was put back for trial. */
const state = processWide<{ problem: string | null; drill: Drill | null }>("backups", () => ({
  problem: null,
  drill: null,
}));

/** Makes a backup where one is due, under a seal of its own, and lets those go that no rule keeps. @returns whether one was made. */
export async function backupIfDue(
  store: Store,
  { folder, hours, recipient, retention, drills }: Schedule,
  now = new Date(),
): Promise<boolean> {
  // One of a time to come, from before the clock was set back, does not count.
  const newest = backupsIn(folder).find(({ at }) => at <= now);
  if (newest && now.getTime() - newest.at.getTime() < hours * HOUR_MS) return false;
  if (store.$client.name !== ":memory:") keepSeal(store, store.$client.name);
  const backup = backupName(now, recipient !== null);
  await backupInto(store, join(folder, backup), now, recipient);
  for (const { name } of backupsToDrop(backupsIn(folder), retention))
    rmSync(join(folder, name), { force: true });
  if (drills) state.drill = await drill(folder, backup, now);
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
    drill: state.drill,
    copy: replicaState(databaseFile(), process.env.ARLENT_REPLICA),
  };
}
