import { problemOf } from "@/core";
import type { Store } from "@/store/database/store";
import { theStore as open } from "@/store/opening/open";

export type { Store } from "@/store/database/store";
export { troubleOf } from "@/store/database/trouble";
/** The application's database, for the surfaces above the services. */
export { databaseFile, openStore, theStore } from "@/store/opening/open";

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
