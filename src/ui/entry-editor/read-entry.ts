import {
  attempt,
  type Cable,
  type Contradiction,
  check,
  type Entry,
  type EntryDocument,
  type EntrySheet,
  entryProcedure,
  hasLists,
  isRecord,
  review,
  type Tool,
  throughProcedure,
  zEntry,
} from "@/core";

/** The entry being edited, or why it cannot be read. */
export function readEntry(draft: unknown): { readonly entry: Entry | null; readonly problem: string | null } {
  const { value, problem } = attempt(() => check(zEntry, draft));
  return { entry: value, problem: problem?.message ?? null };
}

/**
 * What of an entry's figures cannot hold together, on any cable it takes: each said once, of what ends in it and of what goes
 * through.
 */
export function entryContradictions(
  entry: Entry,
  { ending, going }: { readonly ending: EntrySheet; readonly going: EntrySheet },
  shelf: { readonly cables: readonly Cable[]; readonly tools: readonly Tool[] },
): Pick<Contradiction, "message">[] {
  const contradictions = [entryProcedure(entry, ending), throughProcedure(entry, going)].flatMap(
    (document) => (document ? review(document, shelf, null).contradictions : []),
  );
  return [...new Set(contradictions.map(({ message }) => message))].map((message) => ({ message }));
}

const isWhole = (value: unknown): value is EntryDocument =>
  hasLists(value, "ports", "fasteners") && isRecord(value) && isRecord(value.lengths);

/** What was kept on this device, where it has every list the fields need. */
export const takeUpEntry = (saved: unknown): EntryDocument | null => (isWhole(saved) ? saved : null);
