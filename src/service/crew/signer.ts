import { randomUUID } from "node:crypto";
import { InputError, personBy, personNamed } from "@/core";
import { say } from "@/messages/service";
import { crewNow } from "@/store/workshop/crew";
import { allPeople, insertPeopleEvent } from "@/store/workshop/people";
import type { Act } from "../act";

/**
 * Who signs: who goes by the name that was signed, first of all whoever is working; an unknown name adds a person.
 */
export function signer({ store, actor: by, now }: Act, name: string): string {
  const people = allPeople(store);
  const working = by === null ? undefined : personBy(people, by);
  if (working && (working.name === name || working.formerly.includes(name))) return working.id;
  const existing = personNamed(people, name);
  if (existing) return existing.id;
  if (crewNow(store).names !== "free")
    throw new InputError("unknown-person", say("nobody-of-the-crew-goes-by", { name }), ["name"]);
  const person = randomUUID();
  const at = now.toISOString();
  insertPeopleEvent(store, { id: randomUUID(), at, by, kind: "add", person, name, into: null });
  return person;
}

/** @throws InputError: no person has that id. */
export function mustBeKnown({ store, actor }: Act): void {
  if (actor !== null && !personBy(allPeople(store), actor))
    throw new InputError("unknown-person", say("nobody-goes-by-that-id-here-pick"), ["by"]);
}
