import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { mustBeAcceptable, type Person, type zMerge, type zNewPerson, type zRename } from "@/core";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { allPeople, insertPeopleEvent } from "@/store/workshop/people";
import type { Act } from "../act";

/** Everybody who works here, by name. */
export const people = (store: Store): Person[] =>
  allPeople(store).sort((a, b) => a.name.localeCompare(b.name));

/** Says one thing of a person. @throws InputError `name-taken`, `unknown-person`. */
function say(
  { store, actor, now }: Act,
  said: { kind: "add" | "rename" | "merge"; person: string; name?: string; into?: string },
): void {
  inTransaction(store, () => {
    const event = { name: "", into: null, by: actor, ...said };
    mustBeAcceptable(allPeople(store), event);
    insertPeopleEvent(store, { ...event, id: randomUUID(), at: now.toISOString() });
  });
}

/** Adds a person; asking again with the same id and name changes nothing. @throws InputError `name-taken`. */
export function addPerson(act: Act, { id = randomUUID(), name }: z.output<typeof zNewPerson>): Person[] {
  const { store } = act;
  if (!allPeople(store).some((person) => person.id === id && person.name === name))
    say(act, { kind: "add", person: id, name });
  return people(store);
}

/** Calls a person otherwise from now on; what they signed keeps the name of its day. */
export function renamePerson(act: Act, person: string, { name }: z.output<typeof zRename>): Person[] {
  say(act, { kind: "rename", person, name });
  return people(act.store);
}

/** Says that two names are one person: from now on all either did is shown under one. */
export function mergePerson(act: Act, person: string, { into }: z.output<typeof zMerge>): Person[] {
  say(act, { kind: "merge", person, into });
  return people(act.store);
}
