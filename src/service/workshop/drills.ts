import type { z } from "zod";
import { type DrillResultRow, InputError, personBy, type zNewDrillResult } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { drilled, drillResultsBy, insertDrillResult, removeDrillResults } from "@/store/workshop/drills";
import { allPeople } from "@/store/workshop/people";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";

/** Results of one person that are looked at. */
const MOST = 5_000;

function whoActs(act: Act): string {
  mustBeKnown(act);
  const person = act.actor === null ? undefined : personBy(allPeople(act.store), act.actor);
  if (!person) throw new InputError("unknown-person", say("say-who-is-practising"), ["by"]);
  return person.id;
}

/** Stores the result of a drill for whoever is working. @throws InputError `unknown-person`. */
export function addDrillResult(act: Act, result: z.output<typeof zNewDrillResult>): { id: string } {
  // A device whose clock is ahead has done it now.
  const at = new Date(Math.min(Date.parse(result.at), act.now.getTime())).toISOString();
  insertDrillResult(act.store, { ...result, at, person: whoActs(act) });
  return { id: result.id };
}

/** Results of a person's drills, in the order they came; none of somebody who is not known. */
export function drillResultsOf(store: Store, person: string): DrillResultRow[] {
  const ids = personBy(allPeople(store), person)?.ids ?? [];
  return drillResultsBy(store, ids, MOST);
}

/** Everybody who has practised, with their results: for whoever trains them. */
export function traineesOf(store: Store): { id: string; name: string; results: DrillResultRow[] }[] {
  const people = allPeople(store);
  const ids = new Set(drilled(store).flatMap((id) => personBy(people, id)?.id ?? []));
  return people
    .filter(({ id }) => ids.has(id))
    .map(({ id, name }) => ({ id, name, results: drillResultsOf(store, id) }));
}

/** Removes every result of whoever is working. */
export const forgetDrills = (act: Act): { removed: number } => ({
  removed: removeDrillResults(act.store, whoActs(act)),
});
