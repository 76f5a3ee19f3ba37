import { z } from "zod";
import { zUuid } from "../names/names";
import { InputError } from "../problem/problem";
import { said, say } from "../words/core";

export const zPersonId = zUuid(said("a-persons-id-must-be-a-uuid"));
export const zPersonName = z
  .string(said("enter-the-persons-name"))
  .trim()
  .min(1, said("enter-the-persons-name"))
  .max(120, said("a-name-must-have-at-most-120"));

/** What was said of people: one came, is called otherwise now, or turned out to be another. Only ever added. */
interface PersonEvent {
  readonly kind: "add" | "rename" | "merge";
  readonly person: string;
  /** Their name; of a merge, empty. */
  readonly name: string;
  /** Of a merge: whom they turned out to be. */
  readonly into: string | null;
}

/** Somebody who works, with every id they ever went by: their own first. */
export interface Person {
  readonly id: string;
  readonly name: string;
  /** Names they went by before, and those of whom they turned out to be. */
  readonly formerly: readonly string[];
  readonly ids: readonly string[];
}

/**
 * Everybody, in the order they came; merged people once.
 * @example peopleFrom([{ kind: "add", person: "1", name: "Osla", into: null }]).map(({ name }) => name) // ["Osla"]
 */
export function peopleFrom(events: readonly PersonEvent[]): Person[] {
  const people = new Map<string, Person>();
  for (const { kind, person, name, into } of events) {
    const existing = people.get(person);
    if (kind === "add") people.set(person, { id: person, name, formerly: [], ids: [person] });
    else if (kind === "rename" && existing)
      people.set(person, {
        ...existing,
        name,
        formerly: others([...existing.formerly, existing.name], name),
      });
    else if (kind === "merge" && existing) {
      const saved = into === null ? undefined : people.get(into);
      if (!saved) continue;
      people.delete(person);
      people.set(saved.id, {
        ...saved,
        formerly: others([...saved.formerly, existing.name, ...existing.formerly], saved.name),
        ids: [...saved.ids, ...existing.ids],
      });
    }
  }
  return [...people.values()];
}

const others = (names: readonly string[], but: string): string[] =>
  [...new Set(names)].filter((name) => name !== but);

/**
 * Who goes by an id, also one they went by before they were merged.
 * @example personBy(peopleFrom([{ kind: "add", person: "1", name: "Osla", into: null }]), "1")?.name // "Osla"
 */
export const personBy = (people: readonly Person[], id: string): Person | undefined =>
  people.find(({ ids }) => ids.includes(id));

/**
 * Who goes by a name, or did.
 * @example personNamed(peopleFrom([{ kind: "add", person: "1", name: "Osla", into: null }]), "Osla")?.id // "1"
 */
export const personNamed = (people: readonly Person[], name: string): Person | undefined =>
  people.find((person) => person.name === name) ?? people.find(({ formerly }) => formerly.includes(name));

/**
 * @throws InputError: somebody goes by that name already, or nobody by that id.
 * @example attempt(() => mustBeAcceptable([{ id: "1", name: "Osla", formerly: [], ids: ["1"] }], { kind: "add", person: "2", name: "Osla", into: null })).problem?.code
 * // "name-taken"
 */
export function mustBeAcceptable(people: readonly Person[], { kind, person, name, into }: PersonEvent): void {
  if (kind !== "add" && !people.some(({ id }) => id === person))
    throw new InputError("unknown-person", say("there-is-no-person-with-that-id"), ["person"]);
  if (kind !== "merge" && people.some((eachPerson) => eachPerson.name === name && eachPerson.id !== person))
    throw new InputError("name-taken", say("there-is-already-a-person-called-pick", { name }), ["name"]);
  if (kind === "merge" && (into === person || !people.some(({ id }) => id === into)))
    throw new InputError("unknown-person", say("a-person-can-only-be-merged-into"), ["into"]);
}
