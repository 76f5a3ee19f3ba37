import { problemOf } from "@/core";
import { theStore } from "@/store/database";
import { keepBackups, scheduleOf } from "./schedule";

/** Opens the record before the first request. A record that another server has is left to it: this one ends. */
export function beginServing(): void {
  try {
    keepBackups(theStore(), scheduleOf(process.env));
  } catch (error) {
    const problem = problemOf(error);
    console.error(problem?.message ?? error);
    if (problem?.code === "in-use") process.exit(1);
  }
}
