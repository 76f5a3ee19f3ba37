import { LRUCache } from "lru-cache";
import { type EndEvent, InputError, type ProofKind, personBy, type Signature } from "@/core";
import { say } from "@/messages/service";
import { processWide } from "@/store/database/process-wide";
import { crewNow } from "@/store/workshop/crew";
import { allPeople } from "@/store/workshop/people";
import type { Act, CrewIdentity } from "../act";

/** A name that was proven again holds for one signature within so long, milliseconds. */
const GRANT_MS = 2 * 60_000;

interface Grant {
  readonly how: ProofKind;
  readonly until: number;
}

const grants = processWide("signature grants", () => new LRUCache<string, Grant>({ max: 1_000 }));

const keyOf = ({ device, person }: Pick<CrewIdentity, "device" | "person">): string => `${device} ${person}`;

/** Notes that the person signed in at a device has just proven who they are again. */
export const grantSignature = (identity: CrewIdentity, how: ProofKind, now: Date): void =>
  void grants.set(keyOf(identity), { how, until: now.getTime() + GRANT_MS });

/** Ends what was granted: a grant is good for what is signed in one request. */
export function endGrant({ identity }: Act): void {
  if (identity) grants.delete(keyOf(identity));
}

type SignEvent = Extract<EndEvent, { kind: "sign" | "countersign" }>;

/** Putting away what was begun by mistake signs for nothing. */
const isSignature = (event: SignEvent): boolean =>
  event.kind === "countersign" || event.outcome !== "discarded";

/**
 * The proof that goes with a signature; undefined where the crew asks for none.
 * @throws InputError `bad-input`: it came with one; `wrong-person`: signed by another name; `not-proven`: not asked again.
 */
export function signatureProof(act: Act, event: SignEvent): Signature["proof"] {
  if (event.proof) throw new InputError("bad-input", say("the-server-adds-the-proof"), ["proof"]);
  const { store, identity, actor, now } = act;
  if (identity === null || crewNow(store).names !== "proven") return undefined;
  const person = actor === null ? undefined : personBy(allPeople(store), actor);
  if (!person || identity.person === null || identity.device === null)
    throw new InputError("not-proven", say("a-program-cannot-sign"), ["name"]);
  if (person.name !== event.name && !person.formerly.includes(event.name))
    throw new InputError("wrong-person", say("you-sign-by-your-own-name", { name: person.name }), ["name"]);
  if (!isSignature(event)) return { how: identity.how ?? "pin", device: identity.device };
  const grant = grants.get(keyOf(identity));
  if (!grant || grant.until < now.getTime())
    throw new InputError("not-proven", say("prove-who-you-are-to-sign"), ["name"]);
  return { how: grant.how, device: identity.device };
}
