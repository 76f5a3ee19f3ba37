import type { JobId } from "@/core";
import { attempt, placeKey, placeSides, plannedEnds } from "@/core";
import type { Store } from "@/store/database/store";
import { endsMadeAt, planIn, planRow } from "@/store/plan/plans";
import { wholeLibrary } from "@/store/shelf/shelf";
import { knownOf } from "../known";
import { sinceChanged } from "../since-changed";
import { shelved } from "./planning";

const knownPlaces = knownOf<Map<number, Set<string> | null>>();

/** The places a revision plans, by their keys; null where it can no longer be worked out. Revisions never change. */
function plannedKeys(store: Store, row: number): Set<string> | null {
  const cache = knownPlaces(wholeLibrary(store), "", () => new Map());
  const places = cache.get(row);
  if (places !== undefined) return places;
  const produced = attempt(() => {
    const plan = planIn(planRow(store, row) ?? { body: null });
    const shelf = shelved(store);
    const cable = shelf.cable(plan.cable);
    const all = cable ? placeSides(plan).flatMap((side) => plannedEnds(plan, side, cable, shelf)) : [];
    return new Set(all.map(placeKey));
  }).value;
  cache.set(row, produced);
  return produced;
}

/**
 * Ends of a job that lie where nothing is planned, or is any more: they are shown at their piece, and count as none of those
 * that are planned.
 */
export const straysOf = sinceChanged((store: Store, job: JobId): string[] =>
  endsMadeAt(store, job).flatMap(({ id, side, address, plan }) => {
    const planned = plannedKeys(store, plan);
    const key = placeKey({ side, address: address });
    return planned === null || planned.has(key) ? [] : [id];
  }),
);
