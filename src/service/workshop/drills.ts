import type { z } from "zod";
import { type DrillResultRow, InputError, personBy, type zNewDrillResult } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { drillResultsBy, insertDrillResult, removeDrillResults } from "@/store/workshop/drills";
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
  insertDrillResult(act.store, { ...result, person: whoActs(act), at: act.now.toISOString() });
  return { id: result.id };
}

/** Results of a person's drills, in the order they came; none of somebody who is not known. */
export function drillResultsOf(store: Store, person: string): DrillResultRow[] {
  const ids = personBy(allPeople(store), person)?.ids ?? [];
  return drillResultsBy(store, ids, MOST);
}

/** Removes every result of whoever is working. */
export const forgetDrills = (act: Act): { removed: number } => ({
  removed: removeDrillResults(act.store, whoActs(act)),
});
