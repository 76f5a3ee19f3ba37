import type { Store } from "@/store/database/store";
import { registerHead } from "@/store/record/register";

/**
 * Remembers what follows from ends begun and signed, plans and the shelf alone: each of them grows the register, and as
 * long as that has not grown, nothing of it is worked out again.
 */
export function sinceChanged<T>(work: (store: Store, key: string) => T): (store: Store, key: string) => T {
  const known = new WeakMap<Store, { readonly n: number; readonly made: Map<string, T> }>();
  return (store, key) => {
    // What is being written may yet be taken back: nothing is remembered of it.
    if (store.$client.inTransaction) return work(store, key);
    const { n } = registerHead(store);
    const last = known.get(store);
    const made = last?.n === n ? last.made : new Map<string, T>();
    known.set(store, { n, made });
    const found = made.get(key);
    if (found !== undefined) return found;
    const fresh = work(store, key);
    made.set(key, fresh);
    return fresh;
  };
}
