import { createHash, randomBytes } from "node:crypto";
import { z } from "zod";
import { type Crew, type Person, PROOFS, type ProofKind, passkeysOf, personBy, pinOf, rolesOf } from "@/core";
import type { Store } from "@/store/database/store";
import { crewNow } from "@/store/workshop/crew";
import { allPeople } from "@/store/workshop/people";
import type { CrewIdentity } from "../act";
import { deviceOfSession, SESSION_COOKIE } from "./crew";
import { isRevoked, tokenShown } from "./door";
import { same } from "./same";
import { signedFor } from "./site-secret";

export const PERSON_COOKIE = "arlent-person";
/** Names a device where no crew key does. */
export const DEVICE_COOKIE = "arlent-device";

/** A name that was proven holds for a shift, seconds; signing asks again whenever it is done. */
export const PERSON_SECONDS = 12 * 60 * 60;

const zSession = z.object({
  person: z.string(),
  how: z.enum(PROOFS),
  device: z.string(),
  until: z.int(),
  /** What the person could prove themselves with: another PIN or a passkey removed ends the session. */
  print: z.string(),
});

const printOf = (crew: Crew, person: Pick<Person, "ids">): string =>
  createHash("sha256")
    .update([pinOf(crew, person)?.hash ?? "", ...passkeysOf(crew, person).map(({ id }) => id)].join(" "))
    .digest("base64url")
    .slice(0, 16);

const sealed = (store: Store, purpose: string, text: string): string =>
  `${text}.${signedFor(store, purpose, text)}`;

/** What was sealed for a purpose; null where it was not, or was changed since. */
function opened(store: Store, purpose: string, value: string | undefined): string | null {
  const at = value?.lastIndexOf(".") ?? -1;
  if (value === undefined || at < 1) return null;
  const text = value.slice(0, at);
  return same(value.slice(at + 1), signedFor(store, purpose, text)) ? text : null;
}

/** Gives a device a name of its own. @returns its id and the cookie's value. */
export function newDevice(store: Store): { readonly id: string; readonly cookie: string } {
  const id = randomBytes(12).toString("base64url");
  return { id, cookie: sealed(store, "device", id) };
}

/** The cookie's value for a person who has proven who they are. */
export function personSession(
  store: Store,
  said: { readonly person: Person; readonly how: ProofKind; readonly device: string },
  now = Date.now(),
): string {
  const session: z.output<typeof zSession> = {
    person: said.person.id,
    how: said.how,
    device: said.device,
    until: now + PERSON_SECONDS * 1000,
    print: printOf(crewNow(store), said.person),
  };
  return sealed(store, "person", Buffer.from(JSON.stringify(session)).toString("base64url"));
}

/** What a request shows of who sends it. */
export interface Credentials {
  readonly cookie: (name: string) => string | undefined;
  readonly authorization: string | null;
}

/** The cookies of a request's header (RFC 6265, 5.4). */
export function credentialsOf({ headers }: Pick<Request, "headers">): Credentials {
  const pairs = (headers.get("cookie") ?? "").split(/;\s*/).map((pair): [string, string] => {
    const at = pair.indexOf("=");
    return [pair.slice(0, at), pair.slice(at + 1)];
  });
  const cookies = new Map(pairs);
  return { cookie: (name) => cookies.get(name), authorization: headers.get("authorization") };
}

/** The device that asks: by the crew key's session, else by its own cookie; null where it has neither. */
function deviceIn(store: Store, { cookie }: Credentials): string | null {
  const letIn = deviceOfSession(process.env.ARLENT_CREW, cookie(SESSION_COOKIE));
  const device = letIn ?? opened(store, "device", cookie(DEVICE_COOKIE));
  return device === null || isRevoked(device) ? null : device;
}

/** Who asks, as the server itself knows it. */
export function identityOf(store: Store, shown: Credentials, now = Date.now()): CrewIdentity {
  const crew = crewNow(store);
  const token = crew.tokens.get(tokenShown(shown.authorization) ?? "");
  const device = deviceIn(store, shown);
  if (token) {
    const { id, by, roles } = token;
    return { device, person: null, how: null, temporary: false, token: { id, by }, roles };
  }
  const session = sessionIn(store, shown, device, now);
  const person = session && personBy(allPeople(store), session.person);
  if (!session || !person || session.print !== printOf(crew, person))
    return { device, person: null, how: null, temporary: false, token: null, roles: [] };
  const temporary = session.how === "pin" && pinOf(crew, person)?.temporary === true;
  return {
    device,
    person: person.id,
    how: session.how,
    temporary,
    token: null,
    roles: temporary ? [] : rolesOf(crew, person),
  };
}

function sessionIn(
  store: Store,
  { cookie }: Credentials,
  device: string | null,
  now: number,
): z.output<typeof zSession> | null {
  const text = opened(store, "person", cookie(PERSON_COOKIE));
  if (text === null) return null;
  const session = zSession.parse(JSON.parse(Buffer.from(text, "base64url").toString("utf8")));
  return session.until > now && session.device === device ? session : null;
}
