import { randomBytes, randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  type CrewAnswer,
  type CrewChange,
  type CrewRecorded,
  InputError,
  mustStand,
  type Person,
  passkeysOf,
  personBy,
  pinOf,
  ROLES,
  type zNewToken,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { crewNow, latestCrewEvents } from "@/store/workshop/crew";
import { allPeople } from "@/store/workshop/people";
import { type Act, actOn, type CrewIdentity } from "../act";
import { keyPrint } from "./crew";
import { tellDoor, tokenHash } from "./door";
import { enter } from "./log";
import { dropPin } from "./pins";

/** The person of an id. @throws InputError `unknown-person`. */
export function mustBePerson(store: Store, id: string): Person {
  const person = personBy(allPeople(store), id);
  if (!person) throw new InputError("unknown-person", say("nobody-goes-by-that-id-here-pick"), ["person"]);
  return person;
}

/** The crew as it is shown to whoever asks: no hash, no key. */
export function crewTold(store: Store, identity: CrewIdentity): CrewAnswer {
  const crew = crewNow(store);
  const people = allPeople(store).toSorted((a, b) => a.name.localeCompare(b.name));
  return {
    names: crew.names,
    originals: crew.storesOriginals,
    people: people.map((person) => ({
      id: person.id,
      name: person.name,
      roles: ROLES.filter((role) => person.ids.some((id) => crew.roles.get(id)?.includes(role))),
      pin: pinTold(pinOf(crew, person)),
      passkeys: passkeysOf(crew, person).map(({ id, name, at }) => ({ id, name, at })),
    })),
    devices: [...crew.devices.values()],
    tokens: [...crew.tokens.values()].map(({ id, name, roles, at, by, revoked }) => ({
      id,
      name,
      roles: [...roles],
      at,
      by,
      revoked,
    })),
    you: {
      person: identity.person,
      how: identity.how,
      device: identity.device,
      temporary: identity.temporary,
      roles: [...identity.roles],
    },
  };
}

const pinTold = (pin: ReturnType<typeof pinOf>) => {
  if (!pin) return "none" as const;
  return pin.temporary ? ("temporary" as const) : ("own" as const);
};

/** Changes the crew's rules. Whoever first asks for proof of names has every role until they are given out. */
export function changeCrew(act: Act, change: CrewChange): void {
  const { store, actor } = act;
  inTransaction(store, () => {
    const isFirst = change.kind === "names" && change.rule === "proven" && crewNow(store).roles.size === 0;
    if (isFirst && actor !== null)
      enter(act, { kind: "roles", person: mustBePerson(store, actor).id, roles: [...ROLES] });
    mustStand(crewNow(store), allPeople(store), change);
    enter(act, change);
  });
  tellDoor(crewNow(store));
}

/** Makes a token for a program. @returns its id and its secret, which is shown this once. */
export function makeToken(
  act: Act,
  { name, roles }: z.output<typeof zNewToken>,
): { readonly id: string; readonly secret: string } {
  const secret = `arlent_${randomBytes(32).toString("base64url")}`;
  const token = randomUUID();
  enter(act, { kind: "token", token, name, roles, hash: tokenHash(secret) });
  tellDoor(crewNow(act.store));
  return { id: token, secret };
}

/** The latest lines of the crew's log, newest first, secrets left out. */
export const crewLog = (store: Store, most: number) =>
  latestCrewEvents(store, most).map(({ event, ...recorded }) => ({
    ...recorded,
    event: withoutSecrets(event),
  }));

function withoutSecrets(event: CrewRecorded["event"]): CrewRecorded["event"] {
  if (event.kind === "pin" || event.kind === "token") return { ...event, hash: "" };
  return event.kind === "passkey" ? { ...event, publicKey: "" } : event;
}

/** Tells the door whom to let in as the server begins, and enters in the log that the crew key is another than it was. */
export function openDoor(store: Store): void {
  const print = keyPrint(process.env.ARLENT_CREW);
  if (print !== crewNow(store).keyPrint) enter(actOn(store), { kind: "crew-key", print });
  tellDoor(crewNow(store));
}

/** Lets names be free and takes every PIN away: for a crew whose keepers all forgot theirs. */
export function freeNames(act: Act): void {
  inTransaction(act.store, () => {
    changeCrew(act, { kind: "names", rule: "free" });
    const crew = crewNow(act.store);
    for (const person of allPeople(act.store)) if (pinOf(crew, person)) dropPin(act, person);
  });
}
