import { createHash, createHmac, randomBytes, scrypt } from "node:crypto";
import { readFileSync, statSync } from "node:fs";
import { LRUCache } from "lru-cache";
import { z } from "zod";
import { check, InputError, type zEnter } from "@/core";
import { say } from "@/messages/service";
import { isRevoked } from "./door";
import { same } from "./same";

/** What is kept of a crew's key: its hash, and what its sessions are signed with. A new key ends them all. */
const zCrew = z.object({
  v: z.literal(1),
  salt: z.string(),
  hash: z.string(),
  secret: z.string(),
  n: z.int(),
});
type Crew = z.output<typeof zCrew>;

/** Set on a request for the page that asks for the key: nothing of the record is shown there. */
export const AT_THE_DOOR = "x-arlent-door";

export const SESSION_COOKIE = "arlent-crew";
/** A device is asked again after so long, seconds. */
export const SESSION_SECONDS = 90 * 24 * 60 * 60;

let cached: { readonly file: string; readonly written: number; readonly crew: Crew } | null = null;

/** The crew whose key this server asks for; null where none was ever set. */
function crewOf(file: string | undefined): Crew | null {
  if (!file) return null;
  const written = statSync(file).mtimeMs;
  if (cached?.file !== file || cached.written !== written)
    cached = { file, written, crew: check(zCrew, JSON.parse(readFileSync(file, "utf8"))) };
  return cached.crew;
}

const signed = ({ secret }: Crew, until: string, id: string): string =>
  createHmac("sha256", Buffer.from(secret, "base64")).update(`${until}.${id}`).digest("base64url");

/** A session of so many milliseconds; it says nothing of whom it is given to. */
function sessionOf(crew: Crew, lasts: number, now: number): string {
  const until = String(now + lasts);
  const id = randomBytes(12).toString("base64url");
  return `${until}.${id}.${signed(crew, until, id)}`;
}

/**
 * What this server shows itself to be let in by, where it asks itself for something: good for a minute, and handed to
 * nobody. Null where no key is needed.
 */
export function ownSession(file: string | undefined, now = Date.now()): string | null {
  const crew = crewOf(file);
  return crew && sessionOf(crew, OWN_MS, now);
}

const OWN_MS = 60_000;

/** Whether a device may come in: nobody is asked where no key is needed, else by the session it was given. */
export const mayComeIn = (file: string | undefined, session: string | undefined, now = Date.now()): boolean =>
  crewOf(file) === null || deviceOfSession(file, session, now) !== null;

/** The device a session was given to; null where it does not hold, or the device was revoked. */
export function deviceOfSession(
  file: string | undefined,
  session: string | undefined,
  now = Date.now(),
): string | null {
  const crew = crewOf(file);
  const [until = "", id = "", mac = ""] = session?.split(".") ?? [];
  const holds =
    crew !== null && /^\d+$/.test(until) && Number(until) > now && same(mac, signed(crew, until, id));
  return holds && !isRevoked(id) ? id : null;
}

/** What tells one crew key from the next and nothing of the key; empty where there is none. */
export function keyPrint(file: string | undefined): string {
  const crew = crewOf(file);
  return crew === null
    ? ""
    : createHash("sha256").update(`${crew.salt} ${crew.hash}`).digest("hex").slice(0, 16);
}

const hashOf = (key: string, { salt, n }: Pick<Crew, "salt" | "n">): Promise<Buffer> =>
  new Promise((answer, failed) =>
    scrypt(
      key.normalize("NFKC"),
      Buffer.from(salt, "base64"),
      32,
      { N: n, r: 8, p: 1, maxmem: 256 * n * 8 },
      (error, hash) => (error ? failed(error) : answer(hash)),
    ),
  );

/** Wrong keys in a row by the address they came from, and when its next is looked at. */
const wrongBy = new LRUCache<string, { readonly count: number; readonly free: number }>({ max: 2_000 });
/** When the latest wrong keys came in, from wherever. */
let latestWrong: readonly number[] = [];
let turn: Promise<unknown> = Promise.resolve();

/** So many wrong keys within a minute, from all addresses together, and each further one waits for everybody. */
const MOST_A_MINUTE = 60;
const MINUTE_MS = 60_000;
const APART_MS = 2_000;

/** When a key from an address is looked at, milliseconds: an address waits for its own wrong keys, and a little for all. */
function freeAt(address: string, now: number): number {
  latestWrong = latestWrong.filter((at) => at > now - MINUTE_MS);
  const forAll = latestWrong.length < MOST_A_MINUTE ? 0 : (latestWrong.at(-1) ?? 0) + APART_MS;
  return Math.max(wrongBy.get(address)?.free ?? 0, forAll);
}

function noteWrong(address: string, now: number): void {
  const count = (wrongBy.get(address)?.count ?? 0) + 1;
  wrongBy.set(address, { count, free: now + waitAfter(count) });
  latestWrong = [...latestWrong, now];
}

/** After a few wrong keys in a row, an address waits before its next is looked at: this long, milliseconds. */
export const waitAfter = (inARow: number): number =>
  inARow < 5 ? 0 : Math.min(60_000, 1_000 * 2 ** (inARow - 5));

/**
 * Lets a device in by the crew's key. One key is looked at at a time, each takes a while to work out, and wrong ones
 * make the next from that address wait.
 * @param from the address it came from, as whatever stands in front says: a bound for all holds where it is made up.
 * @returns the device's session.
 * @throws InputError `wrong-key`, `too-often`.
 */
export async function letDeviceIn(
  file: string | undefined,
  { key }: z.output<typeof zEnter>,
  from: string,
  now = Date.now(),
): Promise<string> {
  const mine = turn.then(async () => {
    const crew = crewOf(file);
    if (crew === null) throw new InputError("wrong-key", say("this-server-has-no-crew-key"), ["key"]);
    const free = freeAt(from, now);
    if (now < free)
      throw new InputError(
        "too-often",
        say("too-many-wrong-keys-try-again-in", { ceil: Math.ceil((free - now) / 1000) }),
        ["key"],
      );
    if (!same((await hashOf(key, crew)).toString("base64"), crew.hash)) {
      noteWrong(from, now);
      throw new InputError("wrong-key", say("that-is-not-the-crew-key"), ["key"]);
    }
    wrongBy.delete(from);
    return sessionOf(crew, SESSION_SECONDS * 1000, now);
  });
  turn = mine.catch(() => undefined);
  return mine;
}
