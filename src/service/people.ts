import { randomUUID } from "node:crypto";
import { z } from "zod";
import { check, mustBeAcceptable, type Person, zPersonName } from "@/core";
import { allPeople, insertPeopleEvent } from "@/store/people";
import type { Store } from "@/store/store";
import { inTransaction } from "@/store/transaction";

const zPersonId = z.uuid("A person goes by a UUID");
const zBy = { by: zPersonId.nullable().default(null) };

export const zNewPerson = z.strictObject({ id: zPersonId.optional(), name: zPersonName, ...zBy });
export const zRename = z.strictObject({ name: zPersonName, ...zBy });
export const zMerge = z.strictObject({ into: zPersonId, ...zBy });

/** Everybody who works here, by name. */
export const people = (store: Store): Person[] =>
  allPeople(store).sort((a, b) => a.name.localeCompare(b.name));

/** Says one thing of a person. @throws InputError `name-taken`, `unknown-person`. */
function say(
  store: Store,
  said: { kind: "add" | "rename" | "merge"; person: string; name?: string; into?: string; by: string | null },
  now: Date,
): void {
  inTransaction(store, () => {
    const event = { name: "", into: null, ...said };
    mustBeAcceptable(allPeople(store), event);
    insertPeopleEvent(store, { ...event, id: randomUUID(), at: now.toISOString() });
  });
}

/** Adds a person; asking again with the same id and name changes nothing. @throws InputError `name-taken`. */
export function addPerson(store: Store, input: unknown, now = new Date()): Person[] {
  const { id = randomUUID(), name, by } = check(zNewPerson, input);
  if (!allPeople(store).some((one) => one.id === id && one.name === name))
    say(store, { kind: "add", person: id, name, by }, now);
  return people(store);
}

/** Calls a person otherwise from now on; what they signed keeps the name of its day. */
export function renamePerson(store: Store, person: string, input: unknown, now = new Date()): Person[] {
  const { name, by } = check(zRename, input);
  say(store, { kind: "rename", person, name, by }, now);
  return people(store);
}

/** Says that two names are one person: from now on all either did is told under one. */
export function mergePerson(store: Store, person: string, input: unknown, now = new Date()): Person[] {
  const { into, by } = check(zMerge, input);
  say(store, { kind: "merge", person, into, by }, now);
  return people(store);
}
