import { type EndEvent, InputError, personBy, type Role, type RouteSpec } from "@/core";
import { say, t } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { crewNow } from "@/store/workshop/crew";
import { allPeople } from "@/store/workshop/people";
import type { Act, CrewIdentity } from "../act";

const ROLE_WORDS: Record<Role, string> = {
  technician: t("technician"),
  lead: t("lead"),
  inspector: t("inspector"),
  keeper: t("keeper"),
};

/** The roles that may use a route where names are proven: whoever is let in, where it says none and changes nothing. */
const rolesFor = ({ roles, acts }: Pick<RouteSpec, "roles" | "acts">): readonly Role[] | null =>
  roles ?? (acts ? ["technician"] : null);

/**
 * Who acts in a request: as the crew asks for names.
 * @param by whom the request itself names; null where it names nobody.
 * @throws InputError `unknown-person`, `signed-out`, `not-proven`, `wrong-person`, `not-allowed`.
 */
export function actorOf(
  store: Store,
  spec: Pick<RouteSpec, "roles" | "acts" | "open">,
  identity: CrewIdentity,
  by: string | null,
): string | null {
  if (spec.open) return identity.person ?? by;
  const roles = rolesFor(spec);
  const { names } = crewNow(store);
  if (identity.token) {
    mustHave(roles, identity.roles);
    return identity.token.by;
  }
  if (names === "free") return by;
  if (names === "known") {
    if (spec.acts && by === null)
      throw new InputError("unknown-person", say("say-who-is-working-first"), ["by"]);
    return by;
  }
  if (roles === null) return identity.person;
  if (identity.person === null) throw new InputError("signed-out", say("sign-in-first"), ["by"]);
  if (identity.temporary) throw new InputError("not-proven", say("set-a-pin-of-your-own-first"), ["pin"]);
  const person = personBy(allPeople(store), identity.person);
  if (by !== null && !person?.ids.includes(by))
    throw new InputError("wrong-person", say("this-was-done-by-somebody-else"), ["by"]);
  mustHave(roles, identity.roles);
  return identity.person;
}

function mustHave(roles: readonly Role[] | null, held: readonly Role[]): void {
  if (roles !== null && !roles.some((role) => held.includes(role)))
    throw new InputError(
      "not-allowed",
      say("this-needs-the-role", { roles: roles.map((role) => ROLE_WORDS[role]).join(t("or")) }),
    );
}

/** What an inspector adds to an end that others made. */
const OF_INSPECTION: readonly EndEvent["kind"][] = ["countersign", "correction", "photo"];

/**
 * Whether somebody may say this of an end, where names are proven.
 * @throws InputError `not-allowed`: work is a technician's, a second signature a lead's or an inspector's.
 */
export function mustBeTheirs({ store, identity }: Act, { kind }: EndEvent): void {
  if (identity === null || (crewNow(store).names !== "proven" && !identity.token)) return;
  if (!OF_INSPECTION.includes(kind)) mustHave(["technician"], identity.roles);
  if (kind === "countersign") mustHave(["lead", "inspector"], identity.roles);
}
