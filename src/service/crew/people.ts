import { randomUUID } from "node:crypto";
import { z } from "zod";
import { check, mustBeAcceptable, type Person, zPersonName, zUuid } from "@/core";
import { t } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { allPeople, insertPeopleEvent } from "@/store/workshop/people";
import type { Act } from "../act";

const zPersonId = zUuid(t("a-persons-id-must-be-a-uuid"));

export const zNewPerson = z.strictObject({ id: zPersonId.optional(), name: zPersonName });
export const zRename = z.strictObject({ name: zPersonName });
export const zMerge = z.strictObject({ into: zPersonId });

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
export function addPerson(act: Act, input: unknown): Person[] {
  const { store } = act;
  const { id = randomUUID(), name } = check(zNewPerson, input);
  if (!allPeople(store).some((person) => person.id === id && person.name === name))
    say(act, { kind: "add", person: id, name });
  return people(store);
}

/** Calls a person otherwise from now on; what they signed keeps the name of its day. */
export function renamePerson(act: Act, person: string, input: unknown): Person[] {
  const { name } = check(zRename, input);
  say(act, { kind: "rename", person, name });
  return people(act.store);
}

/** Says that two names are one person: from now on all either did is told under one. */
export function mergePerson(act: Act, person: string, input: unknown): Person[] {
  const { into } = check(zMerge, input);
  say(act, { kind: "merge", person, into });
  return people(act.store);
}
