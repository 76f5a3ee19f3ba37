import type { Entry, Recorded } from "../end/entry";

/** How many of each consumable an end has used, in the order they were first used; strokes of a blade among them. */
export function usedOn(entries: readonly Recorded[]): { readonly item: string; readonly count: number }[] {
  const items = entries
    .map(({ entry }) => entry)
    .filter((entry): entry is Extract<Entry, { kind: "use" }> => entry.kind === "use")
    .flatMap((entry) => entry.items);
  const counts = new Map<string, number>();
  for (const { item, count } of items) counts.set(item, (counts.get(item) ?? 0) + count);
  return [...counts].map(([item, count]) => ({ item, count }));
}
