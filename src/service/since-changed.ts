import type { Store } from "@/store/database/store";
import { registerGrowth } from "@/store/record/register";

/**
 * Remembers what follows from ends begun and signed, plans and the shelf alone: each of them grows the register, and as
 * long as that has not grown, nothing of it is worked out again.
 */
export function sinceChanged<T>(work: (store: Store, key: string) => T): (store: Store, key: string) => T {
  const cache = new WeakMap<Store, { readonly n: number; readonly values: Map<string, T> }>();
  return (store, key) => {
    // What is being written may yet be taken back: nothing is remembered of it.
    if (store.$client.inTransaction) return work(store, key);
    const n = registerGrowth(store);
    const last = cache.get(store);
    const byName = last?.n === n ? last.values : new Map<string, T>();
    cache.set(store, { n, values: byName });
    const cached = byName.get(key);
    if (cached !== undefined) return cached;
    const fresh = work(store, key);
    byName.set(key, fresh);
    return fresh;
  };
}
