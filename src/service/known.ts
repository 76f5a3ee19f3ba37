import { LRUCache } from "lru-cache";
import { type Cable, compileRunSheet, type Procedure, type RunSheet } from "@/core";
import type { Library } from "@/store/shelf/shipped";

/** What was worked out from one shelf is remembered as long as the shelf is the same. */
const MOST = 400;

/** Remembers what was worked out of one kind: under a key, or what works it out now; what throws is not remembered. */
export function knownOf<T extends object>(): (library: Library, key: string, work: () => T) => T {
  const perLibrary = new WeakMap<Library, LRUCache<string, T>>();
  return (library, key, work) => {
    const cache = perLibrary.get(library) ?? new LRUCache<string, T>({ max: MOST });
    perLibrary.set(library, cache);
    const cached = cache.get(key);
    if (cached) return cached;
    const fresh = work();
    cache.set(key, fresh);
    return fresh;
  };
}

const knownSheet = knownOf<RunSheet>();

/**
 * A sheet of documents of one shelf, or of a cable opened out of one: compiled once. The cable is known by all it says: one
 * that was opened is on no shelf, and its id may be another's. @throws InputError for whatever does not go.
 */
export const sheetOnce = (
  library: Library,
  {
    cable,
    procedure,
    core,
    choices,
  }: {
    readonly cable: Cable;
    readonly procedure: Procedure;
    readonly core: string;
    readonly choices: Readonly<Record<string, string>>;
  },
): RunSheet =>
  knownSheet(library, JSON.stringify([cable, procedure.id, core, choices]), () =>
    compileRunSheet({ procedure, cable, core, choices, tools: library.tools }),
  );
