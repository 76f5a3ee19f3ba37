import { standingEvents } from "../end/acts";
import type { EndEvent } from "../event/event";
import type { Recorded } from "../event/recorded";

/** How many of each consumable an end has used, in the order they were first used; strokes of a blade among them. */
export function usedOn(events: readonly Recorded[]): { readonly item: string; readonly count: number }[] {
  const items = standingEvents(events)
    .map(({ event }) => event)
    .filter((event): event is Extract<EndEvent, { kind: "use" }> => event.kind === "use")
    .flatMap((event) => event.items);
  const counts = new Map<string, number>();
  for (const { item, count } of items) counts.set(item, (counts.get(item) ?? 0) + count);
  return [...counts].map(([item, count]) => ({ item, count }));
}
