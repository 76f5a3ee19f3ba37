import { randomUUID } from "node:crypto";
import { InputError, personBy, personNamed } from "@/core";
import { allPeople, insertPeopleEvent } from "@/store/people";
import type { Store } from "@/store/store";

/**
 * Who signs: who goes by the name that was signed, first of all whoever is working; a name nobody goes by yet is
 * somebody who came.
 */
export function signer(store: Store, by: string | null, name: string, now: Date): string {
  const people = allPeople(store);
  const working = by === null ? undefined : personBy(people, by);
  if (working && (working.name === name || working.formerly.includes(name))) return working.id;
  const known = personNamed(people, name);
  if (known) return known.id;
  const person = randomUUID();
  const at = now.toISOString();
  insertPeopleEvent(store, { id: randomUUID(), at, by, kind: "add", person, name, into: null });
  return person;
}

/** @throws InputError: nobody goes by that id. */
export function mustBeKnown(store: Store, by: string | null): void {
  if (by !== null && !personBy(allPeople(store), by))
    throw new InputError("unknown-person", "Nobody goes by that id here: pick who is working anew.", ["by"]);
}
