import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { zDocumentId, zName, zUuid } from "../names/names";
import { zPlaceSide } from "../piece/places";
import { CUT_PLACES, zStationId } from "../piece/station";
import { coded } from "../problem/codes";
import { NO_SPLICES, zSplicePlan } from "../splice/splice-plan";
import { said } from "../words/core";
import { PORT_ROLES, type PortRole } from "./ports";

/** The most cables of one entry. */
const CLOSURE_LIMIT = 32;

/** What is asked of a cable that goes through, beyond what its entry says; 0 where nobody knows the lay. */
const zThrough = z.strictObject({
  turns: z
    .int(said("turns-must-be-a-whole-number"))
    .min(0, said("turns-must-be-0-or-more"))
    .max(100, said("enter-at-most-100-turns")),
  pitch: zMmNotNegative,
  diameter: zMmNotNegative,
  /** Sheath from one reversal of the lay to the next. */
  reversal: zMmNotNegative,
  cutAt: z.enum(CUT_PLACES, said("cut-must-be-one-of", { cutPlaces: CUT_PLACES.join(", ") })),
});
export type Through = z.output<typeof zThrough>;

/** A cable that comes into an entry. */
export const zClosureCable = z.strictObject({
  /** Its own: the place an end of it is made at, where it is of no piece. */
  id: zStationId,
  cable: zDocumentId,
  role: z.enum(PORT_ROLES, said("role-must-be-one-of", { portRoles: PORT_ROLES.join(", ") })),
  through: z.boolean(),
  /** Ports it was put in by hand; null goes the best way. */
  fixed: z.array(zName).min(1).max(2).readonly().nullable().default(null),
  /** How it is opened where it goes through; null as its entry says. */
  opening: zThrough.nullable().default(null),
  /** The piece it is of, and where on it: a side that ends here, a station it is opened at; null for one that is planned nowhere. */
  joins: z
    .strictObject({ piece: zUuid(said("a-pieces-id-must-be-a-uuid")), side: zPlaceSide })
    .nullable()
    .default(null),
});
export type ClosureCable = z.output<typeof zClosureCable>;

/** A cable whose role and `through` say the same. */
const zConsistentCable = zClosureCable.refine(({ role, through }) => (role === "through") === through, {
  ...said("only-a-cable-with-the-role-through"),
  path: ["through"],
});

/** The roles of a cable that ends in an entry. */
export const ENDING_ROLES = PORT_ROLES.filter(
  (role): role is Exclude<PortRole, "through"> => role !== "through",
);

/**
 * What changes of a cable with its role: whether it goes through, and so the ports it can be put in.
 * @example asRole("drop") // { role: "drop", through: false, fixed: null }
 */
export const asRole = (role: PortRole): Pick<ClosureCable, "role" | "through" | "fixed"> => ({
  role,
  through: role === "through",
  fixed: null,
});

const zOldPlan = z.looseObject({
  cables: z.array(z.looseObject({ role: z.unknown(), through: z.unknown() })),
});

/**
 * A stored plan in which role and `through` may disagree, as today's: what is prepared of each cable stays the same.
 * @example liftedClosure(null) // null
 */
export function liftedClosure(body: unknown): unknown {
  const plan = zOldPlan.safeParse(body);
  if (!plan.success) return body;
  const cables = plan.data.cables.map((cable) =>
    cable.through === true
      ? { ...cable, role: "through" }
      : { ...cable, role: cable.role === "through" ? "branch" : cable.role },
  );
  return { ...plan.data, cables };
}

/** An entry as it is used at one place of a job: which cables come in, and what pieces it joins. */
export const zClosurePlan = z.strictObject({
  name: zName,
  entry: zDocumentId,
  cables: z
    .array(zConsistentCable)
    .max(CLOSURE_LIMIT, said("at-most-cables-2", { closureLimit: CLOSURE_LIMIT }))
    .refine((all) => new Set(all.map(({ id }) => id)).size === all.length, {
      ...said("each-cable-must-have-its-own-id"),
      params: coded("duplicate"),
    })
    .readonly(),
  /** What is spliced to what in it. */
  splicing: zSplicePlan.default(NO_SPLICES),
});
export type ClosurePlan = z.output<typeof zClosurePlan>;

/**
 * A cable of a closure as it is said among the others: `cable 3`.
 * @example cableText({ cables: [] }, "a") // "cable 0"
 */
export const cableText = ({ cables }: Pick<ClosurePlan, "cables">, id: string): string =>
  `cable ${cables.findIndex((cable) => cable.id === id) + 1}`;
