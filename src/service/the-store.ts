import { problemOf } from "@/core";
import { theStore as open } from "@/store/database";
import type { Store } from "@/store/store";

/** The application's database, for the surfaces above the services. */
export { databaseFile, openStore, theStore } from "@/store/database";
export type { Store } from "@/store/store";
export { troubleOf } from "@/store/trouble";

/** The record, or why it cannot be opened. @throws what is no trouble with disk, file or lock. */
export function storeOrTrouble(): { readonly store: Store } | { readonly trouble: string } {
  try {
    return { store: open() };
  } catch (error) {
    const problem = problemOf(error);
    if (problem) return { trouble: problem.message };
    throw error;
  }
}
