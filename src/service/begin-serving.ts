import { problemOf } from "@/core";
import { databaseFile, theStore } from "@/store/database";
import { keepPhotographsCopied } from "./replica";
import { keepBackups, scheduleOf } from "./schedule";

/** Opens the record before the first request. A record that another server has is left to it: this one ends. */
export function beginServing(): void {
  try {
    keepBackups(theStore(), scheduleOf(process.env));
    keepPhotographsCopied(databaseFile(), process.env.ARLENT_REPLICA);
  } catch (error) {
    const problem = problemOf(error);
    console.error(problem?.message ?? error);
    if (problem?.code === "in-use") process.exit(1);
  }
}
