import { z } from "zod";
import { zUuid } from "../names/names";
import { said } from "../words/core";
import { zPersonId } from "./people";

/** What a person may do, where names are proven. A person can have several roles. */
export const ROLES = ["technician", "lead", "inspector", "keeper"] as const;
export type Role = (typeof ROLES)[number];

/** How sure a name must be: any name, one of the crew's people, or one who has proven who they are. */
export const NAME_RULES = ["free", "known", "proven"] as const;
export type NameRule = (typeof NAME_RULES)[number];

/** The ways a person proves who they are. */
export const PROOFS = ["pin", "passkey"] as const;
export type ProofKind = (typeof PROOFS)[number];

const zRoles = z
  .array(z.enum(ROLES))
  .max(ROLES.length)
  .refine((roles) => new Set(roles).size === roles.length, said("each-role-once"));

const zShortName = z
  .string()
  .trim()
  .min(1, said("enter-a-name-for-it"))
  .max(60, said("a-name-must-have-at-most-60"));

const zTokenId = zUuid(said("a-tokens-id-must-be-a-uuid"));
const zDeviceId = z.string().min(1).max(60);
const zPasskeyId = z.string().min(1).max(1_500);
const zHow = z.enum(["crew-key", ...PROOFS]);

const zNames = z.strictObject({ kind: z.literal("names"), rule: z.enum(NAME_RULES) });
const zRolesGiven = z.strictObject({ kind: z.literal("roles"), person: zPersonId, roles: zRoles });
const zPasskeyRemoved = z.strictObject({ kind: z.literal("passkey-removed"), passkey: zPasskeyId });
const zDeviceNamed = z.strictObject({ kind: z.literal("device"), device: zDeviceId, name: zShortName });
const zDeviceRevoked = z.strictObject({ kind: z.literal("device-revoked"), device: zDeviceId });
const zPhotographs = z.strictObject({ kind: z.literal("photographs"), originals: z.boolean() });
const zTokenRevoked = z.strictObject({ kind: z.literal("token-revoked"), token: zTokenId });

/** Body of a request that changes the crew's rules; secrets have requests of their own. */
export const zCrewChange = z.discriminatedUnion("kind", [
  zNames,
  zRolesGiven,
  zPasskeyRemoved,
  zDeviceNamed,
  zDeviceRevoked,
  zTokenRevoked,
  zPhotographs,
]);

export type CrewChange = z.output<typeof zCrewChange>;

/** A token as it is asked for: what uses it, and what it may do. */
export const zNewToken = z.strictObject({
  name: zShortName,
  roles: zRoles.min(1, said("choose-at-least-one-role")),
});

/**
 * One change to how a crew lets people work, or one line of its log. Secrets stand in it as hashes alone; a PIN's hash is
 * made with a secret that is in no backup.
 */
export const zCrewEvent = z.discriminatedUnion("kind", [
  zNames,
  zRolesGiven,
  z.strictObject({
    kind: z.literal("pin"),
    person: zPersonId,
    /** Empty where it was taken away. */
    hash: z.string().max(300),
    /** Which server's secret it was made with. */
    secret: z.string().max(20),
    /** Set by somebody else: good for setting one's own, and nothing else. */
    temporary: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal("passkey"),
    person: zPersonId,
    passkey: zPasskeyId,
    publicKey: z.string().max(3_000),
    name: zShortName,
  }),
  zPasskeyRemoved,
  zDeviceNamed,
  zDeviceRevoked,
  zNewToken.extend({ kind: z.literal("token"), token: zTokenId, hash: z.string().max(100) }),
  zTokenRevoked,
  zPhotographs,
  z.strictObject({ kind: z.literal("entered"), how: zHow, person: zPersonId.nullable() }),
  z.strictObject({
    kind: z.literal("refused"),
    how: zHow,
    person: zPersonId.nullable(),
    /** Wrong ones in a row, from one address or for one person. */
    count: z.int().min(1),
  }),
  z.strictObject({ kind: z.literal("crew-key"), print: z.string().max(64) }),
  z.strictObject({
    kind: z.literal("acted"),
    /** The route of the interface for programs that was used, and the id of what it was used on. */
    route: z.string().max(80),
    ref: z.string().max(200),
    how: z.enum(PROOFS).nullable(),
    token: zTokenId.nullable(),
  }),
]);

export type CrewEvent = z.output<typeof zCrewEvent>;

/** A crew event with what the record adds: its place, when, by whom, on which device. */
export interface CrewRecorded {
  readonly id: string;
  readonly n: number;
  readonly at: string;
  readonly by: string | null;
  readonly device: string | null;
  readonly event: CrewEvent;
}
