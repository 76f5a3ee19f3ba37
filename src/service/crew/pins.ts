import { hash, verify } from "@node-rs/argon2";
import { LRUCache } from "lru-cache";
import { InputError, type Person, pinOf } from "@/core";
import { say } from "@/messages/service";
import { processWide } from "@/store/database/process-wide";
import type { Store } from "@/store/database/store";
import { crewNow } from "@/store/workshop/crew";
import type { Act } from "../act";
import { waitAfter } from "./crew";
import { enter, isCounted } from "./log";
import { pinKey } from "./site-secret";

/** What the package calls Argon2id. */
const ARGON2ID = 2;

/** Argon2id with the second of the parameter sets RFC 9106, 4, recommends: 64 MiB, three passes. */
const COST = { algorithm: ARGON2ID, memoryCost: 65_536, timeCost: 3, parallelism: 4 };

/** Wrong PINs in a row for one person, and when the next is looked at. */
const wrong = processWide(
  "wrong PINs",
  () => new LRUCache<string, { readonly count: number; readonly free: number }>({ max: 2_000 }),
);

/** One PIN is looked at at a time: each takes much memory. */
const turns = processWide("PIN turns", () => ({ last: Promise.resolve<unknown>(undefined) }));

function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turns.last.then(work);
  turns.last = mine.catch(() => undefined);
  return mine;
}

/**
 * Proves a person by their PIN. Wrong ones in a row make the next wait, for that person alone.
 * @throws InputError `wrong-key`, `too-often`; `not-proven` where no PIN of this server is set.
 */
export function provePin(act: Act, person: Person, pin: string): Promise<void> {
  const { store, now } = act;
  return inTurn(async () => {
    const before = wrong.get(person.id);
    if (before && now.getTime() < before.free)
      throw new InputError(
        "too-often",
        say("too-many-wrong-pins-try-again-in", { ceil: Math.ceil((before.free - now.getTime()) / 1000) }),
        ["pin"],
      );
    const saved = pinOf(crewNow(store), person);
    if (!saved) throw new InputError("not-proven", say("has-no-pin-yet", { name: person.name }), ["pin"]);
    const { key } = pinKey(store);
    if (!isOfThisServer(store, saved))
      throw new InputError("not-proven", say("this-pin-was-set-on-another-server"), ["pin"]);
    if (await verify(saved.hash, pin.normalize("NFKC"), { secret: key })) {
      wrong.delete(person.id);
      return;
    }
    const count = (before?.count ?? 0) + 1;
    wrong.set(person.id, { count, free: now.getTime() + waitAfter(count) });
    if (isCounted(count)) enter(act, { kind: "refused", how: "pin", person: person.id, count });
    throw new InputError("wrong-key", say("that-is-not-the-pin-of", { name: person.name }), ["pin"]);
  });
}

/** Whether every character follows the one before in the same way: 111111, 123456, 987654. */
function isRun(pin: string): boolean {
  const codes = [...pin].map((letter) => letter.codePointAt(0) ?? 0);
  const steps = new Set(codes.slice(1).map((code, i) => code - (codes[i] ?? 0)));
  return steps.size === 1 && [-1, 0, 1].includes([...steps][0] ?? 0);
}

/**
 * Sets a person's PIN.
 * @param temporary whether it is set by somebody else.
 * @throws InputError `bad-input`: it is guessed too easily.
 */
export async function setPin(act: Act, person: Person, pin: string, temporary: boolean): Promise<void> {
  if (isRun(pin)) throw new InputError("bad-input", say("this-pin-is-guessed-too-easily"), ["pin"]);
  const { key, name } = pinKey(act.store);
  const hashed = await inTurn(() => hash(pin.normalize("NFKC"), { ...COST, secret: key }));
  enter(act, { kind: "pin", person: person.id, hash: hashed, secret: name, temporary });
  wrong.delete(person.id);
}

/** Whether a PIN was set on this server: any other's cannot be held against its hash. */
export const isOfThisServer = (store: Store, { secret }: { readonly secret: string }): boolean =>
  secret === pinKey(store).name;

/** Takes a person's PIN away. */
export const dropPin = (act: Act, person: Person): void =>
  enter(act, { kind: "pin", person: person.id, hash: "", secret: "", temporary: false });
