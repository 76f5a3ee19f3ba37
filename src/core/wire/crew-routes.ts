import { z } from "zod";
import { NAME_RULES, PROOFS, ROLES, zCrewChange, zCrewEvent, zNewToken } from "../people/crew-event";
import { zPersonId } from "../people/people";
import { said } from "../words/service";
import { zEnteredAnswer, zPeopleAnswer } from "./answers";
import { zEnter, zMerge, zNewPerson, zRename } from "./crew-requests";
import { route } from "./route";

const zRolesTold = z.array(z.enum(ROLES)).readonly();

/** How a crew lets people work, as it is shown: no hash, no key. */
const zCrewAnswer = z.strictObject({
  names: z.enum(NAME_RULES),
  /** Whether photographs are stored as the camera sent them too. */
  originals: z.boolean(),
  people: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        roles: zRolesTold,
        pin: z.enum(["none", "temporary", "own"]),
        passkeys: z.array(z.strictObject({ id: z.string(), name: z.string(), at: z.string() })).readonly(),
      }),
    )
    .readonly(),
  devices: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        first: z.string(),
        last: z.string(),
        person: z.string().nullable(),
        revoked: z.boolean(),
      }),
    )
    .readonly(),
  tokens: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        roles: zRolesTold,
        at: z.string(),
        by: z.string().nullable(),
        revoked: z.boolean(),
      }),
    )
    .readonly(),
  /** Whoever asks, as the server knows them. */
  you: z.strictObject({
    person: z.string().nullable(),
    how: z.enum(PROOFS).nullable(),
    device: z.string().nullable(),
    temporary: z.boolean(),
    roles: zRolesTold,
  }),
});

export type CrewAnswer = z.output<typeof zCrewAnswer>;

const zCrewLog = z.strictObject({
  events: z
    .array(
      z.strictObject({
        id: z.string(),
        n: z.int(),
        at: z.string(),
        by: z.string().nullable(),
        device: z.string().nullable(),
        event: zCrewEvent,
      }),
    )
    .readonly(),
});

const zPin = z
  .string(said("enter-the-pin"))
  .min(6, said("a-pin-needs-at-least-6-characters"))
  .max(64, said("a-pin-must-have-at-most-64-characters"));

const zPasskeyFor = z.enum(["add", "enter", "again"]);
const zOfPasskey = z.looseObject({ id: z.string().max(1_500) });

/** The interface for programs: people, and how sure their names must be. */
export const CREW_ROUTES = {
  "get /people": route({ does: "Everybody who works here.", answer: zPeopleAnswer }),
  "post /people": route({
    does: "Adds a person.",
    body: zNewPerson,
    answer: zPeopleAnswer,
    status: 201,
    acts: true,
    roles: ["lead", "keeper"],
  }),
  "post /people/{id}/name": route({
    does: "Renames a person.",
    body: zRename,
    answer: zPeopleAnswer,
    acts: true,
    roles: ["lead", "keeper"],
    logged: true,
  }),
  "post /people/{id}/merge": route({
    does: "Merges a person into another.",
    body: zMerge,
    answer: zPeopleAnswer,
    acts: true,
    roles: ["lead", "keeper"],
    logged: true,
  }),
  "get /crew": route({
    does: "How sure names must be, roles, devices and tokens, and who asks.",
    answer: zCrewAnswer,
    open: true,
  }),
  "post /crew": route({
    does: "Changes how sure names must be, roles, or a device; ends a device, a token or a passkey.",
    body: z.strictObject({ change: zCrewChange }),
    answer: zCrewAnswer,
    acts: true,
    roles: ["keeper"],
  }),
  "get /crew/log": route({
    does: "The latest lines of the crew's log: entries, failures, exports, changes. Newest first.",
    query: z.strictObject({
      most: z.coerce.number(said("most-must-be-a-whole-number")).int().min(1).max(500).default(100),
    }),
    answer: zCrewLog,
    roles: ["lead", "inspector", "keeper"],
  }),
  "post /crew/tokens": route({
    does: "Makes a token for a program; its secret is answered this once.",
    body: zNewToken,
    answer: z.strictObject({ id: z.string(), secret: z.string() }),
    status: 201,
    acts: true,
    roles: ["keeper"],
  }),
  "post /crew/pins": route({
    does: "Sets a person's PIN: one's own, or by a keeper a temporary one for somebody else.",
    body: z.strictObject({ person: zPersonId, pin: zPin, old: z.string().max(64).optional() }),
    answer: zCrewAnswer,
    open: true,
  }),
  "post /session": route({
    does: "Signs a person in at a device by their PIN.",
    body: z.strictObject({ person: zPersonId, pin: z.string(said("enter-the-pin")).max(64) }),
    answer: zCrewAnswer,
    open: true,
  }),
  "post /session/again": route({
    does: "Proves the person signed in again by their PIN, for one signature.",
    body: z.strictObject({ pin: z.string(said("enter-the-pin")).max(64) }),
    answer: zCrewAnswer,
    open: true,
  }),
  "post /session/end": route({
    does: "Signs a person out at a device.",
    body: z.strictObject({ person: zPersonId }),
    answer: zCrewAnswer,
    open: true,
  }),
  "post /passkeys/question": route({
    does: "The question a passkey answers, to add one, to sign in, or to prove a name again.",
    body: z.strictObject({ for: zPasskeyFor, person: zPersonId }),
    answer: z.strictObject({ options: z.record(z.string(), z.unknown()) }),
    open: true,
  }),
  "post /passkeys": route({
    does: "The answer of a passkey to the question a device was asked last.",
    body: z.strictObject({
      for: zPasskeyFor,
      person: zPersonId,
      name: z.string().trim().max(60).default(""),
      response: zOfPasskey,
    }),
    answer: zCrewAnswer,
    open: true,
  }),
  "post /enter": route({ does: "Lets a device in by the crew's key.", body: zEnter, answer: zEnteredAnswer }),
} as const;
