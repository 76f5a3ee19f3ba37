import { problemOf } from "@/core";
import { databaseFile, theStore } from "@/store/opening/open";
import { openDoor } from "../crew/rules";
import { clearBackupLitter } from "./backup";
import { keepSeals } from "./kept-seals";
import { logRestore } from "./log-restore";
import { keepPhotographsCopied } from "./replica";
import { keepBackups, scheduleOf } from "./schedule";

/** After so long a stop waits no more for devices that keep asking, milliseconds. */
const LAST_WORDS_MS = 1_500;

/**
 * A stop ends, whoever still holds a connection open: what is being stored is stored at once or not at all, and the file
 * is closed as the process goes.
 */
function endWhenTold(): void {
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const)
    process.once(signal, () => setTimeout(() => process.exit(0), LAST_WORDS_MS));
}

/** Opens the record before the first request. A record that another server has is left to it: this one ends. */
export function beginServing(): void {
  endWhenTold();
  try {
    const schedule = scheduleOf(process.env);
    clearBackupLitter(schedule?.folder ?? null);
    openDoor(theStore());
    logRestore(theStore());
    keepSeals(theStore(), databaseFile());
    keepBackups(theStore(), schedule);
    const { ARLENT_REPLICA: target, ARLENT_COPIER: figures, ARLENT_PACK: pack } = process.env;
    keepPhotographsCopied(databaseFile(), target, { figures, pack });
  } catch (error) {
    const problem = problemOf(error);
    console.error(problem?.message ?? error);
    if (problem?.code === "in-use") process.exit(1);
  }
}
