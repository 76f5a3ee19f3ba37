import type { Store } from "@/store/database/store";
import { openToLook } from "@/store/opening/read-only";

export { openToLook };

/** Answers from a database opened to be looked at, and closed again. @throws InputError as `openToLook` does. */
export function lookingAt<T>(file: string, work: (store: Store) => T): T {
  const { store, close } = openToLook(file);
  try {
    return work(store);
  } finally {
    close();
  }
}
