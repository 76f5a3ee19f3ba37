import type { AuthenticationResponseJSON, RegistrationResponseJSON } from "@simplewebauthn/server";
import { InputError, type Person, type ProofKind, personBy, pinOf } from "@/core";
import { say } from "@/messages/service";
import { crewNow } from "@/store/workshop/crew";
import { allPeople } from "@/store/workshop/people";
import type { Act } from "../act";
import { enter } from "./log";
import { addPasskey, askToAdd, askToProve, provePasskey, type Site } from "./passkeys";
import { isOfThisServer, provePin, setPin } from "./pins";
import { mustBePerson } from "./rules";
import { DEVICE_COOKIE, newDevice, PERSON_COOKIE, PERSON_SECONDS, personSession } from "./session";
import { grantSignature } from "./signature";

/** A cookie a device is given; no value takes it away. */
export interface CookieGiven {
  readonly name: string;
  readonly value: string;
  readonly seconds: number;
}

const DEVICE_SECONDS = 400 * 24 * 60 * 60;

/** The device that asks, given a name of its own where it has none yet. */
function deviceOf({ store, identity }: Act): { readonly id: string; readonly given: readonly CookieGiven[] } {
  if (identity?.device) return { id: identity.device, given: [] };
  const { id, cookie } = newDevice(store);
  return { id, given: [{ name: DEVICE_COOKIE, value: cookie, seconds: DEVICE_SECONDS }] };
}

/** Signs a person in who has just proven who they are. */
function signedIn(act: Act, person: Person, how: ProofKind): CookieGiven[] {
  const { store, identity, now } = act;
  const { id: device, given } = deviceOf(act);
  enter(
    { ...act, actor: person.id, identity: identity && { ...identity, device } },
    { kind: "entered", how, person: person.id },
  );
  const value = personSession(store, { person, how, device }, now.getTime());
  return [...given, { name: PERSON_COOKIE, value, seconds: PERSON_SECONDS }];
}

/** Signs a person in by their PIN. @throws InputError `unknown-person`, `wrong-key`, `too-often`, `not-proven`. */
export async function signInByPin(
  act: Act,
  { person: id, pin }: { person: string; pin: string },
): Promise<CookieGiven[]> {
  const person = mustBePerson(act.store, id);
  await provePin({ ...act, actor: person.id }, person, pin);
  return signedIn(act, person, "pin");
}

export const SIGNED_OUT: readonly CookieGiven[] = [{ name: PERSON_COOKIE, value: "", seconds: 0 }];

/** The person signed in where this is asked. @throws InputError `not-proven`. */
function mustBeSignedIn({ store, identity }: Act): Person {
  const person = identity?.person ? personBy(allPeople(store), identity.person) : undefined;
  if (!person) throw new InputError("not-proven", say("sign-in-first"));
  return person;
}

/** Proves the person signed in again, for one signature. @throws InputError as `signInByPin`. */
export async function proveAgain(act: Act, pin: string): Promise<void> {
  const person = mustBeSignedIn(act);
  if (act.identity?.temporary)
    throw new InputError("not-proven", say("set-a-pin-of-your-own-first"), ["pin"]);
  await provePin({ ...act, actor: person.id }, person, pin);
  if (act.identity) grantSignature(act.identity, "pin", act.now);
}

/**
 * Sets a PIN: one's own, by the old one where there is one; or by a keeper a temporary one for somebody else.
 * @returns cookies: whoever sets their own stays signed in.
 * @throws InputError `not-proven`, `not-allowed`, `wrong-key`, `bad-input`.
 */
export async function setPinFor(
  act: Act,
  { person: id, pin, old }: { person: string; pin: string; old?: string | undefined },
): Promise<CookieGiven[]> {
  const { store, identity } = act;
  const person = mustBePerson(store, id);
  const crew = crewNow(store);
  const by = { ...act, actor: identity?.person ?? person.id };
  const mine = crew.names !== "proven" || (identity?.person != null && person.ids.includes(identity.person));
  if (!mine) {
    mustBeSignedIn(act);
    if (!identity?.roles.includes("keeper"))
      throw new InputError("not-allowed", say("only-a-keeper-sets-anothers-pin"));
    await setPin(by, person, pin, true);
    return [];
  }
  const saved = pinOf(crew, person);
  // A PIN of another server cannot be held against anything here.
  if (saved && isOfThisServer(store, saved) && !identity?.temporary) await provePin(by, person, old ?? "");
  await setPin(by, person, pin, false);
  return crew.names === "proven" ? signedIn(act, person, "pin") : [];
}

type PasskeyFor = "add" | "enter" | "again";

/** The question for a passkey, to add one, to sign in, or to prove a name again; with the cookies the device is given. */
export async function passkeyQuestion(
  act: Act,
  said: { readonly for: PasskeyFor; readonly person: string },
  site: Site,
): Promise<{ readonly options: object; readonly cookies: readonly CookieGiven[] }> {
  const person = mustBePerson(act.store, said.person);
  const { id, given } = deviceOf(act);
  if (said.for === "add") mustBeOwnPasskey(act, person);
  const options =
    said.for === "add" ? await askToAdd(act, person, id, site) : await askToProve(act, person, id, site);
  return { options, cookies: given };
}

/** Whoever is not signed in may add a passkey only where names are not proven. */
function mustBeOwnPasskey(act: Act, person: Person): void {
  if (crewNow(act.store).names !== "proven") return;
  if (!person.ids.includes(mustBeSignedIn(act).id))
    throw new InputError("wrong-person", say("a-passkey-is-added-by-its-owner"));
}

/** What a passkey answered. @throws InputError `wrong-key`, `wrong-person`, `not-proven`. */
export async function passkeyAnswer(
  act: Act,
  said: {
    readonly for: PasskeyFor;
    readonly person: string;
    readonly name: string;
    readonly response: { readonly id: string };
  },
  site: Site,
): Promise<readonly CookieGiven[]> {
  const person = mustBePerson(act.store, said.person);
  const device = act.identity?.device;
  if (!device) throw new InputError("not-proven", say("that-took-too-long-try-again"));
  if (said.for === "add") {
    mustBeOwnPasskey(act, person);
    const name = said.name || say("passkey-of", { name: person.name }).text.slice(0, 60);
    await addPasskey({ ...act, actor: person.id }, person, {
      device,
      site,
      name,
      response: said.response as RegistrationResponseJSON,
    });
    return crewNow(act.store).names === "proven" ? signedIn(act, person, "passkey") : [];
  }
  const proven = await provePasskey(act, device, site, said.response as AuthenticationResponseJSON);
  if (proven.id !== person.id) throw new InputError("wrong-person", say("the-passkey-was-not-accepted"));
  if (said.for === "enter") return signedIn(act, person, "passkey");
  if (mustBeSignedIn(act).id !== person.id)
    throw new InputError("wrong-person", say("the-passkey-was-not-accepted"));
  if (act.identity) grantSignature(act.identity, "passkey", act.now);
  return [];
}
