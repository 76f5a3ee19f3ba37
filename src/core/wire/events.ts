import { z } from "zod";
import { type EndEvent, zEvent, zStoredEvent } from "../event/event";
import { RESULTS } from "../event/judged";
import { zMmExact } from "../length/length";
import { zUuid } from "../names/names";
import { said } from "../words/core";

/** An event that could not be read, as it travels. */
const zUnread = z.strictObject({
  kind: z.literal("unread"),
  why: z.enum(["newer", "strange"]),
  v: z.int(),
  says: z.string(),
});

const zJudgedTold = z.strictObject({
  program: z.string(),
  result: z.enum(RESULTS),
  verdicts: z
    .array(
      z.strictObject({
        check: z.string(),
        mean: zMmExact,
        u: zMmExact,
        probability: z.number(),
        verdict: z.enum(["in", "out", "unsure"]),
        more: z.int().nullable().optional(),
      }),
    )
    .readonly(),
});

/** An event as it is answered: lengths in millimetres outside, micrometres inside. */
const zRecorded = z.strictObject({
  id: z.string(),
  seq: z.int(),
  at: z.string(),
  by: z.string().nullable().optional(),
  client: z.string(),
  event: z.union([zEvent, zUnread]),
  judged: zJudgedTold.optional(),
});

/** What happened to an end. */
export const zEventsAnswer = z.strictObject({ events: z.array(zRecorded).readonly() });

/** What happened to each end of a batch. */
export const zMembersAnswer = z.strictObject({
  ends: z
    .array(z.strictObject({ id: z.string(), label: z.string(), events: z.array(zRecorded).readonly() }))
    .readonly(),
});

const zClient = z.string().min(1).max(80);
const zAfter = z.int().min(0);

const eventsTo = <S extends z.ZodType<EndEvent>>(event: S) =>
  z
    .array(z.strictObject({ id: zUuid(said("an-events-id-must-be-a-uuid")), event }))
    .min(1)
    .max(100);

const addWith = <S extends z.ZodType<EndEvent>>(event: S) =>
  z.strictObject({
    /** The window it comes from: what one window did never surprises that window. */
    client: zClient,
    /** The last event that window had seen when the person acted. */
    after: zAfter,
    events: eventsTo(event),
  });

/** Events to be added to an end, as they travel and as they are inside. */
export const zAdd = addWith(zEvent);
export const zAddInside = addWith(zStoredEvent);

/** The most ends of one batch: more than that is two days' work. */
export const BATCH_LIMIT = 48;

const addManyWith = <S extends z.ZodType<EndEvent>>(event: S) =>
  z.strictObject({
    client: zClient,
    ends: z
      .array(
        z.strictObject({
          end: zUuid(said("an-ends-id-must-be-a-uuid")),
          after: zAfter,
          events: eventsTo(event),
        }),
      )
      .min(1)
      .max(BATCH_LIMIT),
  });

/** Events to be added to several ends of a batch, as they travel and as they are inside. */
export const zAddMany = addManyWith(zEvent);
export const zAddManyInside = addManyWith(zStoredEvent);
