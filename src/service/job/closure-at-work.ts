import {
  type Cable,
  type ClosureAnswer,
  type ClosureAtWork,
  type Entry,
  InputError,
  isDone,
  midSpanOf,
  misfits,
  mustHoldAt,
  openingIn,
  openingOf,
  placeCables,
  type Through,
  throughId,
  throughOf,
  type WorkedCable,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { latestPlan } from "@/store/plan/plans";
import { wholeLibrary } from "@/store/shelf/shelf";
import type { Library } from "@/store/shelf/shipped";
import { sheetOnce } from "../known";
import { pieceOf } from "./jobs";
import { outputLight } from "./output-light";

/**
 * What a closure's work follows from beside its events: its entry, its cables as they stand, its splice plan.
 * @throws InputError `not-found` where its entry, or a cable of it, is on the shelf no more.
 */
export function closureAtWork(store: Store, { id, job, plan, cables }: ClosureAnswer): ClosureAtWork {
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
      ports: [],
      tube: cable.through ? tubeIn(library, entry, of, cable.opening) : null,
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
  const standing = worked.map((cable, i) => ({
    ...cable,
    ports: placed.possible ? (placed.at[i]?.ports ?? []) : [],
  }));
  const light = outputLight(store, { id, job, receiver: plan.splicing.receiver });
  return { entry, cables: standing, plan: plan.splicing, plugs, light };
}

/** Tube in the opening of a cable that goes through, along the tube, micrometres: as its own sheet opens it. */
function tubeIn(library: Library, entry: Entry, cable: Cable, opening: Through | null): number {
  const going = library.procedures.find(({ id }) => id === throughId(entry.id));
  const inRun = midSpanOf(cable);
  const core = cable.cores.find((each) => going && misfits(going, inRun, each).length === 0);
  const sheet =
    going && core ? sheetOnce(library, { procedure: going, cable: inRun, core, choices: {} }) : null;
  return openingIn(entry, opening ?? throughOf(entry, cable), sheet && openingOf(sheet)).opened.tubeLength;
}
