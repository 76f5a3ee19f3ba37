import { z } from "zod";
import { zName } from "../names/names";

/** Consumables that a step uses up. */
export const zUses = z
  .array(z.strictObject({ item: zName, count: z.number().int().min(1).max(100) }))
  .max(20)
  .default([]);

/** An item with its count. */
export interface ItemCount {
  readonly item: string;
  readonly count: number;
}

/**
 * Counts of the same items put together, in the order they come first.
 * @example itemSums([{ item: "wipe", count: 1 }, { item: "cap", count: 1 }, { item: "wipe", count: 2 }])
 * // [{ item: "wipe", count: 3 }, { item: "cap", count: 1 }]
 */
export function itemSums(items: readonly ItemCount[]): ItemCount[] {
  const sums = new Map<string, number>();
  for (const { item, count } of items) sums.set(item, (sums.get(item) ?? 0) + count);
  return [...sums].map(([item, count]) => ({ item, count }));
}
