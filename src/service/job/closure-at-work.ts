import {
  type ClosureAnswer,
  type ClosureAtWork,
  InputError,
  isDone,
  mustHoldAt,
  placeCables,
  type WorkedCable,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { latestPlan } from "@/store/plan/plans";
import { wholeLibrary } from "@/store/shelf/shelf";
import { pieceOf } from "./jobs";

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
