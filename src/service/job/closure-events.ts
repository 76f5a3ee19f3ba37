import { z } from "zod";
import {
  type ClosureId,
  type ClosureRecorded,
  InputError,
  mustBeAllowed,
  type zAddClosureEvents,
  zClosureEvent,
} from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { addClosureEvent, closureEventsOf, findClosureEvent } from "@/store/plan/closure-events";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { closureAtWork } from "./closure-at-work";
import { getClosure } from "./closures";

/** The most that is kept of one closure. */
const MOST_EVENTS = 10_000;

/** All that happened to a closure, in order. @throws InputError `not-found`. */
export const getClosureEvents = (store: Store, id: ClosureId): ClosureRecorded[] =>
  closureEventsOf(store, getClosure(store, id).id);

/**
 * Adds to what happened to a closure, all or none; committed to disk before it returns. One already there is kept once.
 * @returns everything that happened to it, in order.
 * @throws InputError: `gate` for what cannot be yet, `does-not-fit` for the wrong fibre in hand, `id-taken`.
 */
export function addClosureEvents(
  act: Act,
  id: ClosureId,
  { client, events }: z.output<typeof zAddClosureEvents>,
): ClosureRecorded[] {
  const { store, actor, now } = act;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const closure = getClosure(store, id);
    const at = closureAtWork(store, closure);
    for (const { id: eventId, event } of events) {
      // As it travels: lengths in millimetres.
      const body = canonical(z.encode(zClosureEvent, event));
      const twin = findClosureEvent(store, eventId);
      if (twin) {
        if (twin.closure !== closure.id || twin.body !== body)
          throw new InputError("id-taken", say("another-event-already-has-this-id"), ["events"]);
        continue;
      }
      const history = closureEventsOf(store, closure.id);
      if (history.length >= MOST_EVENTS)
        throw new InputError("limit", say("a-closure-can-have-at-most-events", { mostEvents: MOST_EVENTS }), [
          "events",
        ]);
      mustBeAllowed(at, history, event);
      addClosureEvent(store, {
        id: eventId,
        closure: closure.id,
        at: now.toISOString(),
        by: actor,
        client,
        body,
      });
    }
    return closureEventsOf(store, closure.id);
  });
}
