import { type Cable, compileRunSheet, type Procedure, type RunSheet } from "@/core";
import type { Library } from "@/store/shipped";

/** What was worked out from one shelf is remembered as long as the shelf is the same. */
const MOST = 400;
const perLibrary = new WeakMap<Library, Map<string, unknown>>();

/** What was worked out under a key, or what works it out now; what throws is not remembered. */
export function knownOf<T>(library: Library, key: string, work: () => T): T {
  const known = perLibrary.get(library) ?? new Map<string, unknown>();
  perLibrary.set(library, known);
  if (known.has(key)) return known.get(key) as T;
  const made = work();
  const [oldest] = known.keys();
  if (known.size >= MOST && oldest !== undefined) known.delete(oldest);
  known.set(key, made);
  return made;
}

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
  knownOf(library, `sheet ${JSON.stringify([cable, procedure.id, core, choices])}`, () =>
    compileRunSheet({ procedure, cable, core, choices, tools: library.tools }),
  );
