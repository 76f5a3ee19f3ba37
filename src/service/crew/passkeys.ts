import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from "@simplewebauthn/server";
import { LRUCache } from "lru-cache";
import { InputError, type Person, passkeysOf, personBy } from "@/core";
import { say } from "@/messages/service";
import { processWide } from "@/store/database/process-wide";
import { crewNow } from "@/store/workshop/crew";
import { allPeople } from "@/store/workshop/people";
import type { Act } from "../act";
import { enter } from "./log";

/** The server's name and address as the device knows them (WebAuthn, 13.4.9): a passkey holds for that name alone. */
export interface Site {
  readonly host: string;
  readonly origin: string;
}

/** A question questions of a device is good for so long, milliseconds. */
const ASKED_MS = 5 * 60_000;

/** The question last questions of each device. */
const questions = processWide(
  "passkey questions",
  () => new LRUCache<string, string>({ max: 1_000, ttl: ASKED_MS }),
);

const nameOf = ({ host }: Site): string => host.replace(/:\d+$/, "");

/** The question for adding a passkey of a person, as the browser's API takes it. */
export async function askToAdd({ store }: Act, person: Person, device: string, site: Site) {
  const options = await generateRegistrationOptions({
    rpName: "Arlent",
    rpID: nameOf(site),
    userName: person.name,
    userID: new TextEncoder().encode(person.id),
    attestationType: "none",
    excludeCredentials: passkeysOf(crewNow(store), person).map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: "preferred", userVerification: "required" },
  });
  questions.set(device, options.challenge);
  return options;
}

/** The question by which a person proves who they are with one of their passkeys. @throws InputError: there is none. */
export async function askToProve({ store }: Act, person: Person, device: string, site: Site) {
  const passkeys = passkeysOf(crewNow(store), person);
  if (passkeys.length === 0)
    throw new InputError("not-proven", say("has-no-passkey-yet", { name: person.name }));
  const options = await generateAuthenticationOptions({
    rpID: nameOf(site),
    allowCredentials: passkeys.map(({ id }) => ({ id })),
    userVerification: "required",
  });
  questions.set(device, options.challenge);
  return options;
}

/** The question a device was asked; each is answered once. @throws InputError: none, or too long ago. */
function questionOf(device: string): string {
  const challenge = questions.get(device);
  questions.delete(device);
  if (challenge === undefined) throw new InputError("not-proven", say("that-took-too-long-try-again"));
  return challenge;
}

const refused = (cause: unknown): InputError =>
  new InputError("wrong-key", say("the-passkey-was-not-accepted"), [], { cause });

/** Adds a passkey of a person by what their device answered. @throws InputError `wrong-key`, `not-proven`. */
export async function addPasskey(
  act: Act,
  person: Person,
  said: {
    readonly device: string;
    readonly site: Site;
    readonly name: string;
    readonly response: RegistrationResponseJSON;
  },
): Promise<void> {
  const challenge = questionOf(said.device);
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: said.response,
    expectedChallenge: challenge,
    expectedOrigin: said.site.origin,
    expectedRPID: nameOf(said.site),
    requireUserVerification: true,
  }).catch((cause) => {
    throw refused(cause);
  });
  if (!verified || !registrationInfo) throw refused(null);
  const { id, publicKey } = registrationInfo.credential;
  if (crewNow(act.store).passkeys.has(id)) throw new InputError("id-taken", say("this-passkey-is-in-use"));
  enter(act, {
    kind: "passkey",
    person: person.id,
    passkey: id,
    publicKey: Buffer.from(publicKey).toString("base64url"),
    name: said.name,
  });
}

/** Whom an answered question proves. @throws InputError `wrong-key`, `not-proven`. */
export async function provePasskey(
  { store }: Act,
  device: string,
  site: Site,
  response: AuthenticationResponseJSON,
): Promise<Person> {
  const challenge = questionOf(device);
  const passkey = crewNow(store).passkeys.get(response.id);
  const person = passkey && personBy(allPeople(store), passkey.person);
  if (!passkey || !person) throw refused(null);
  const { verified } = await verifyAuthenticationResponse({
    response,
    expectedChallenge: challenge,
    expectedOrigin: site.origin,
    expectedRPID: nameOf(site),
    requireUserVerification: true,
    // A copied passkey would show in a counter that goes back; most keep none, and the record is only ever added to.
    credential: {
      id: passkey.id,
      publicKey: new Uint8Array(Buffer.from(passkey.publicKey, "base64url")),
      counter: 0,
    },
  }).catch((cause) => {
    throw refused(cause);
  });
  if (!verified) throw refused(null);
  return person;
}
