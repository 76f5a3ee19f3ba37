import { problemOf } from "@/core";
import { theStore } from "@/store/database";

/** Opens the record before the first request. A record that another server has is left to it: this one ends. */
export function beginServing(): void {
  try {
    theStore();
  } catch (error) {
    const problem = problemOf(error);
    console.error(problem?.message ?? error);
    if (problem?.code === "in-use") process.exit(1);
  }
}
