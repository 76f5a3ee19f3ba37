import { z } from "zod";
import {
  type ClosureAnswer,
  type ClosureAtWork,
  type ClosureId,
  type ClosureRecorded,
  InputError,
  isDone,
  mustBeAllowed,
  mustHoldAt,
  placeCables,
  type WorkedCable,
  type zAddClosureEvents,
  zClosureEvent,
} from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { addClosureEvent, closureEventsOf, findClosureEvent } from "@/store/plan/closure-events";
import { latestPlan } from "@/store/plan/plans";
import { wholeLibrary } from "@/store/shelf/shelf";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { getClosure } from "./closures";
import { pieceOf } from "./jobs";

/** The most that is kept of one closure. */
const MOST_EVENTS = 10_000;

/**
 * What a closure's work follows from beside its events: its entry, its cables as they stand, its splice plan.
 * @throws InputError `not-found` where its entry, or a cable of it, is on the shelf no more.
 */
export function closureAtWork(store: Store, { plan, cables }: ClosureAnswer): ClosureAtWork {
  const library = wholeLibrary(store);
  const entry = library.entries.find(({ id }) => id === plan.entry);
  if (!entry)
    throw new InputError("not-found", say("no-entry-called-is-on-the-shelf", { entry: plan.entry }), [
      "entry",
    ]);
  const worked = cables.map((cable, i): WorkedCable => {
    const of = library.cables.find(({ id }) => id === cable.cable);
    if (!of)
      throw new InputError("unknown-cable", say("no-cable-called-2", { cable: cable.cable }), [
        "plan",
        "cables",
        i,
      ]);
    const row = cable.joins && latestPlan(store, cable.joins.piece);
    const piece = row?.body ? pieceOf(row).plan : null;
    return {
      id: cable.id,
      number: i + 1,
      name: piece?.name ?? of.name,
      cable: of,
      core: piece?.core ?? mustHoldAt(of.cores, 0),
      through: cable.through,
      parted: cable.joins ? cable.parted.map(({ fibre }) => fibre) : null,
      prepared: isDone(cable.standing),
    };
  });
  const placed = placeCables(
    entry.ports,
    plan.cables.map(({ id, role, through, fixed }, i) => ({
      id,
      role,
      through,
      fixed,
      diameter: mustHoldAt(mustHoldAt(worked, i).cable.layers, 0).diameter,
    })),
  );
  const used = new Set(placed.possible ? placed.at.flatMap(({ ports }) => ports) : []);
  const plugs = entry.ports.some(({ id, plug }) => plug && !used.has(id));
  return { entry, cables: worked, plan: plan.splicing, plugs };
}

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
