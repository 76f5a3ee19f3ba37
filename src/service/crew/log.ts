import type { CrewEvent } from "@/core";
import { addCrewEvent, crewNow } from "@/store/workshop/crew";
import type { Act } from "../act";

/**
 * Whether so many wrong ones in a row are worth a line in the log: the first, the fifth, then each tenth, from a hundred on
 * each hundredth, and so on: whoever guesses cannot fill the disk.
 */
export const isCounted = (inARow: number): boolean =>
  [1, 5].includes(inARow) || (inARow >= 10 && inARow % 10 ** Math.floor(Math.log10(inARow)) === 0);

/** Enters a crew event by whoever asks, on the device they ask from. */
export function enter({ store, now, identity, actor }: Act, event: CrewEvent): void {
  addCrewEvent(store, { at: now.toISOString(), by: actor, device: identity?.device ?? null, event });
}

/** Enters that a route was used on something: where names are proven, or a program used it. */
export function logUse(act: Act, route: string, ref: string): void {
  const { store, identity } = act;
  const token = identity?.token?.id ?? null;
  if (crewNow(store).names === "proven" || token !== null)
    enter(act, { kind: "acted", route, ref: ref.slice(0, 200), how: identity?.how ?? null, token });
}
