import { type ItemCount, itemSums } from "../consumable/consumables";
import { standingEvents } from "../end/acts";
import type { Recorded } from "../event/recorded";

/** How many of each consumable an end has used, in the order they were first used; strokes of a blade among them. */
export const usedOn = (events: readonly Recorded[]): ItemCount[] =>
  itemSums(standingEvents(events).flatMap(({ event }) => (event.kind === "use" ? event.items : [])));
