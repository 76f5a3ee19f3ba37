"use client";

import { useEffect, useState } from "react";
import { z } from "zod";

const KEY = "arlent:ledger-filters";
/** The most filters of one device. */
const MOST = 12;

const zSavedFilter = z.strictObject({
  name: z.string().trim().min(1).max(60),
  /** The query of the ledger's address. */
  query: z.record(z.string().max(20), z.string().max(200)),
});
type SavedFilter = z.output<typeof zSavedFilter>;
const zSaved = z.array(zSavedFilter).max(MOST);

/** Filters of the ledger with a name, stored on this device; one saved again under a name takes its place. */
export function useSavedFilters() {
  const [filters, setFilters] = useState<readonly SavedFilter[]>([]);
  useEffect(() => setFilters(stored()), []);
  const store = (next: readonly SavedFilter[]) => {
    setFilters(next);
    try {
      localStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // A device that stores nothing still filters.
    }
  };
  return {
    filters,
    save: (filter: SavedFilter) =>
      store([...filters.filter(({ name }) => name !== filter.name), filter].slice(-MOST)),
    remove: (name: string) => store(filters.filter((filter) => filter.name !== name)),
  };
}

function stored(): readonly SavedFilter[] {
  try {
    return zSaved.parse(JSON.parse(localStorage.getItem(KEY) ?? "[]"));
  } catch {
    return [];
  }
}
