import { InputError } from "../problem/problem";
import { say } from "../words/core";
import { type CrewChange, type CrewRecorded, type NameRule, ROLES, type Role } from "./crew-event";
import { type Person, personBy } from "./people";

interface Passkey {
  readonly id: string;
  readonly person: string;
  readonly publicKey: string;
  readonly name: string;
  readonly at: string;
}

interface Pin {
  readonly person: string;
  readonly hash: string;
  readonly secret: string;
  readonly temporary: boolean;
}

interface Device {
  readonly id: string;
  /** Empty until somebody names it. */
  readonly name: string;
  /** When it was let in first, and last. */
  readonly first: string;
  readonly last: string;
  /** Who proved a name on it last; null where nobody did. */
  readonly person: string | null;
  readonly revoked: boolean;
}

interface Token {
  readonly id: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly hash: string;
  readonly at: string;
  /** Who made it: they answer for what it does. */
  readonly by: string | null;
  readonly revoked: boolean;
}

/** How a crew lets people work, as its events left it. */
export interface Crew {
  readonly names: NameRule;
  readonly roles: ReadonlyMap<string, readonly Role[]>;
  readonly pins: ReadonlyMap<string, Pin>;
  readonly passkeys: ReadonlyMap<string, Passkey>;
  readonly devices: ReadonlyMap<string, Device>;
  readonly tokens: ReadonlyMap<string, Token>;
  /** What the crew key looked like when it was last set; empty where there was none. */
  readonly keyPrint: string;
  /** Whether a photograph's bytes are stored as the camera sent them, beside the cleaned picture. */
  readonly storesOriginals: boolean;
}

const NOBODY_YET: Crew = {
  names: "free",
  roles: new Map(),
  pins: new Map(),
  passkeys: new Map(),
  devices: new Map(),
  tokens: new Map(),
  keyPrint: "",
  storesOriginals: false,
};

/**
 * The crew as its events left it.
 * @example crewFrom([]).names // "free"
 */
export const crewFrom = (events: readonly CrewRecorded[]): Crew => events.reduce(crewAfter, NOBODY_YET);

const put = <K, V>(map: ReadonlyMap<K, V>, key: K, value: V): ReadonlyMap<K, V> =>
  new Map(map).set(key, value);

function without<K, V>(map: ReadonlyMap<K, V>, key: K): ReadonlyMap<K, V> {
  const rest = new Map(map);
  rest.delete(key);
  return rest;
}

/** Changes an entry of a map that has it. */
function changed<K, V>(map: ReadonlyMap<K, V>, key: K, change: Partial<V>): ReadonlyMap<K, V> {
  const before = map.get(key);
  return before === undefined ? map : put(map, key, { ...before, ...change });
}

/**
 * The crew once one more event has happened.
 * @example crewAfter(crewFrom([]), { id: "", n: 1, at: "", by: null, device: null, event: { kind: "names", rule: "known" } }).names
 * // "known"
 */
export function crewAfter(crew: Crew, { at, by, device, event }: CrewRecorded): Crew {
  switch (event.kind) {
    case "names":
      return { ...crew, names: event.rule };
    case "roles":
      return { ...crew, roles: put(crew.roles, event.person, event.roles) };
    case "pin":
      return { ...crew, pins: put(crew.pins, event.person, event) };
    case "passkey":
      return { ...crew, passkeys: put(crew.passkeys, event.passkey, { ...event, id: event.passkey, at }) };
    case "passkey-removed":
      return { ...crew, passkeys: without(crew.passkeys, event.passkey) };
    case "device":
      return { ...crew, devices: changed(crew.devices, event.device, { name: event.name }) };
    case "device-revoked":
      return { ...crew, devices: changed(crew.devices, event.device, { revoked: true }) };
    case "token":
      return {
        ...crew,
        tokens: put(crew.tokens, event.token, { ...event, id: event.token, at, by, revoked: false }),
      };
    case "token-revoked":
      return { ...crew, tokens: changed(crew.tokens, event.token, { revoked: true }) };
    case "entered":
      return device === null ? crew : { ...crew, devices: entered(crew, device, at, event.person) };
    case "crew-key":
      return { ...crew, keyPrint: event.print };
    case "photographs":
      return { ...crew, storesOriginals: event.originals };
    case "refused":
    case "acted":
      return crew;
  }
}

function entered({ devices }: Crew, id: string, at: string, person: string | null): Crew["devices"] {
  const before = devices.get(id) ?? { id, name: "", first: at, last: at, person: null, revoked: false };
  return put(devices, id, { ...before, last: at, person: person ?? before.person });
}

/**
 * What a person may do: everything where names are not proven, else their roles, those of every id they ever went by.
 * @example rolesOf(crewFrom([]), { ids: ["1"] }) // ["technician", "lead", "inspector", "keeper"]
 */
export const rolesOf = ({ names, roles }: Crew, { ids }: Pick<Person, "ids">): readonly Role[] =>
  names === "proven" ? ROLES.filter((role) => ids.some((id) => roles.get(id)?.includes(role))) : ROLES;

/**
 * The PIN of a person that was set last, under whichever id; undefined where there is none, or it was taken away.
 * @example pinOf(crewFrom([]), { ids: ["1"] }) // undefined
 */
export const pinOf = ({ pins }: Crew, { ids }: Pick<Person, "ids">): Pin | undefined =>
  ids.map((id) => pins.get(id)).find((pin) => pin !== undefined && pin.hash !== "");

/**
 * The passkeys of a person, under whichever id.
 * @example passkeysOf(crewFrom([]), { ids: ["1"] }) // []
 */
export const passkeysOf = ({ passkeys }: Crew, { ids }: Pick<Person, "ids">): Passkey[] =>
  [...passkeys.values()].filter(({ person }) => ids.includes(person));

/** Whether a person can prove who they are with what is their own. */
const canProve = (crew: Crew, person: Pick<Person, "ids">): boolean =>
  passkeysOf(crew, person).length > 0 || pinOf(crew, person)?.temporary === false;

/** Somebody must be able to let the others in, and to change the rules again. */
const hasKeeper = (crew: Crew, people: readonly Person[]): boolean =>
  people.some(
    (person) =>
      canProve(crew, person) && person.ids.some((id) => crew.roles.get(id)?.includes("keeper") === true),
  );

/**
 * Whether a change to the crew's rules can stand.
 * @throws InputError: nobody goes by that id, the device, token or passkey is not there, or no keeper would be left who
 * can prove their name.
 * @example attempt(() => mustStand(crewFrom([]), [], { kind: "names", rule: "known" })).problem?.code // "unknown-person"
 */
export function mustStand(crew: Crew, people: readonly Person[], change: CrewChange): void {
  if (change.kind === "names" && change.rule !== "free" && people.length === 0)
    throw new InputError("unknown-person", say("add-the-crews-people-first"), ["rule"]);
  if (change.kind === "roles" && !personBy(people, change.person))
    throw new InputError("unknown-person", say("there-is-no-person-with-that-id"), ["person"]);
  if (isGone(crew, change)) throw new InputError("not-found", say("it-is-not-there-any-more"));
  const next = crewAfter(crew, { id: "", n: 0, at: "", by: null, device: null, event: change });
  if (next.names === "proven" && !hasKeeper(next, people))
    throw new InputError("no-keeper", say("a-keeper-with-a-pin-or-passkey-must-remain"));
}

function isGone({ devices, tokens, passkeys }: Crew, change: CrewChange): boolean {
  switch (change.kind) {
    case "device":
    case "device-revoked":
      return !devices.has(change.device);
    case "token-revoked":
      return !tokens.has(change.token);
    case "passkey-removed":
      return !passkeys.has(change.passkey);
    default:
      return false;
  }
}
