import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { type CrewReference, InputError, referenceTrouble, type zNewReference } from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { addReference, findReference, matingsOf, referencesSince } from "@/store/workshop/light-references";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";

/** Longer than any reference is used. */
const LISTED_MS = 24 * 3_600_000;

/** References that can still be used, newest first: none that is stale by its age or its matings. */
export const usableReferences = (store: Store, now: Date): CrewReference[] =>
  referencesSince(store, new Date(now.getTime() - LISTED_MS).toISOString()).flatMap((stored) => {
    const { id, by, reference } = stored;
    const matings = matingsOf(store, stored);
    const trouble = referenceTrouble({ read: now.toISOString(), reference, matings, celsius: null });
    // A device whose clock is ahead has taken its reference "later": it is used all the same.
    return trouble === null || trouble === "later" ? [{ id, by, reference, matings }] : [];
  });

/**
 * Stores a reference for every device of the crew; one already there by its id is stored once.
 * @throws InputError `id-taken` where another reference has the id; `stale-reference` for one of another day.
 */
export function shareReference(
  act: Act,
  { id = randomUUID(), reference }: z.output<typeof zNewReference>,
): { id: string } {
  const { store, actor, now } = act;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const twin = findReference(store, id);
    if (twin && canonical(twin.reference) !== canonical(reference))
      throw new InputError("id-taken", say("another-reference-already-has-this-id"), ["id"]);
    if (twin) return { id };
    if (referenceTrouble({ read: now.toISOString(), reference, matings: 0, celsius: null }) === "old")
      throw new InputError("stale-reference", say("this-reference-is-of-another-day"), [
        "reference",
        "taken",
      ]);
    addReference(store, { id, at: now.toISOString(), by: actor, reference });
    return { id };
  });
}
