import { attempt, check, type Entry, type EntryDocument, zEntry } from "@/core";

/** An entry under the pen: as it can be read, or why it cannot. */
export function readEntry(draft: unknown): { readonly entry: Entry | null; readonly problem: string | null } {
  const { value, problem } = attempt(() => check(zEntry, draft));
  return { entry: value, problem: problem?.message ?? null };
}

/** Whether what was kept on this device has every list the fields need. */
export const isWholeEntry = (value: unknown): boolean => {
  const kept = value as Partial<EntryDocument> | null;
  return Array.isArray(kept?.ports) && Array.isArray(kept?.fasteners) && typeof kept?.lengths === "object";
};
