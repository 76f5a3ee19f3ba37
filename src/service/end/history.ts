import { LRUCache } from "lru-cache";
import type { EndId } from "@/core";
import { type EndState, endState, type Recorded } from "@/core";
import type { Store } from "@/store/database/store";
import type { EndRow } from "@/store/record/ends";
import { eventsAfter } from "@/store/record/events";

/** What happened to an end, and where that leaves it. */
export interface History {
  /** Hash of its last event: another hash is another history. */
  readonly hash: string;
  readonly events: readonly Recorded[];
  readonly state: EndState;
}

/** Ends whose history is remembered: those at the benches, not those of a year. */
const REMEMBERED = 200;
const remembered = new WeakMap<Store, LRUCache<string, History>>();

function memoryOf(store: Store): LRUCache<string, History> {
  const cache = remembered.get(store) ?? new LRUCache<string, History>({ max: REMEMBERED });
  remembered.set(store, cache);
  return cache;
}

/**
 * An end's history. Events are only ever added and each is hashed with the one before, so what was read once holds for
 * as long as the end's last hash is the same.
 */
export function historyOf(store: Store, { id, lastHash }: Pick<EndRow, "id" | "lastHash">): History {
  const history = memoryOf(store).get(id);
  if (history?.hash === lastHash) return history;
  const events = eventsAfter(store, id);
  return remember(store, id, { hash: lastHash, events, state: endState(events) });
}

/** Remembers a history as it is now. Only what is committed: who adds events forgets them when that fails. */
export function remember(store: Store, id: EndId, history: History): History {
  memoryOf(store).set(id, history);
  return history;
}
