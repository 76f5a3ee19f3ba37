"use client";

import { useCallback, useEffect, useState } from "react";
import { z } from "zod";

const KEY = "arlent:gauge";
/** The most procedures of one gauge. */
const MOST_ON_GAUGE = 8;

/** A sheet on a gauge: a procedure on a cable, with the options it was worked out with. */
const zGaugeItem = z.strictObject({
  id: z.string().max(2_400),
  name: z.string().max(300),
  cable: z.string().max(80),
  procedure: z.string().max(80),
  core: z.string().max(20).optional(),
  /** As JSON. */
  choices: z.string().max(2_000).optional(),
});
export type GaugeItem = z.output<typeof zGaugeItem>;
const zGaugeList = z.array(zGaugeItem).max(MOST_ON_GAUGE);

function stored(): readonly GaugeItem[] {
  try {
    return zGaugeList.parse(JSON.parse(sessionStorage.getItem(KEY) ?? "[]"));
  } catch {
    return [];
  }
}

/** The sheets picked for a gauge in this window, whichever page they were picked on. */
export function useGaugeList() {
  const [items, setItems] = useState<readonly GaugeItem[]>([]);
  useEffect(() => setItems(stored()), []);
  const store = useCallback((next: readonly GaugeItem[]) => {
    setItems(next);
    try {
      sessionStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // A window that stores nothing still has its list.
    }
  }, []);
  return {
    items,
    add: (item: GaugeItem) => {
      const before = stored().filter(({ id }) => id !== item.id);
      if (before.length < MOST_ON_GAUGE) store([...before, item]);
    },
    remove: (id: string) => store(items.filter((item) => item.id !== id)),
  };
}
