import { z } from "zod";
import type { EndId } from "../names/ids";
import { isRecord } from "../problem/is-record";
import { type EndEvent, zStoredEvent } from "./event";
import { zJudged } from "./judged";
import { PURPOSES, type Recorded, type UnreadEvent } from "./recorded";

/** The version events are written by. */
export const EVENT_VERSION = 5;

/** From this version on an event lies in an envelope. */
export const ENVELOPED_FROM = 2;

/**
 * An event as it is written, version 5: hashed as canonical JSON (RFC 8785) with the hash before it. An older version is
 * lifted on reading; another shape is another version beside it, never a change of this one.
 */
export const zEnvelope = z.strictObject({
  v: z.literal(EVENT_VERSION),
  id: z.string(),
  end: z.string(),
  seq: z.int().min(1),
  at: z.string(),
  by: z.string().nullable(),
  client: z.string(),
  purpose: z.enum(PURPOSES),
  event: zStoredEvent,
  judged: zJudged.optional(),
});

/** An event as it lies in the file: `body` is its very text. */
export interface EventRow {
  readonly id: string;
  readonly endId: EndId;
  readonly seq: number;
  readonly v: number;
  readonly at: string;
  /** Of version 1 only; later ones have it in the body. */
  readonly client: string;
  readonly body: string;
}

/**
 * Reads an event of any version: versions 1 (its body is the event alone) to 4 lifted, version 5 as it is. Whatever this
 * program cannot read comes back as unread, with what it calls itself.
 * @example readEvent({ id: "a", seq: 1, v: 99, at: "2026-11-25T08:00:00.000Z", client: "c", body: "{}" }).event.kind
 * // "unread"
 */
export function readEvent({ id, seq, v, at, client, body }: EventRow): Recorded {
  const unread = (why: UnreadEvent["why"], message: unknown): Recorded => ({
    id,
    seq,
    at,
    client,
    event: { kind: "unread", why, v, says: typeof message === "string" ? message.slice(0, 80) : "" },
  });
  const content = parsed(body);
  if (v > EVENT_VERSION) return unread("newer", kindOf(content));
  if (v >= ENVELOPED_FROM) {
    const envelope = zEnvelope.safeParse(v === EVENT_VERSION ? content : liftedEnvelope(content));
    if (!envelope.success) return unread("strange", kindOf(content));
    const { by, event, judged } = envelope.data;
    return { id, seq, at, by, client: envelope.data.client, event, ...(judged ? { judged } : {}) };
  }
  const event = eventOfVersion1(content);
  return event ? { id, seq, at, by: null, client, event } : unread("strange", kindOf({ event: content }));
}

/**
 * An event as version 1 wrote it, lifted; null for what is none.
 * @example eventOfVersion1({ kind: "step", to: 2 }) // { kind: "step", to: 2 }
 */
export function eventOfVersion1(content: unknown): EndEvent | null {
  const event = zStoredEvent.safeParse(liftedFrom2(liftedFrom1(content)));
  return event.success ? event.data : null;
}

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
};

const kindOf = (content: unknown): unknown =>
  isRecord(content) && isRecord(content.event) ? content.event.kind : undefined;

/** Versions 3 and 4 wrote whatever they knew as version 5 does: only what they did not know was added. */
function liftedEnvelope(content: unknown): unknown {
  if (!isRecord(content)) return content;
  if (content.v === 2) return { ...content, v: EVENT_VERSION, event: liftedFrom2(content.event) };
  return content.v === 3 || content.v === 4 ? { ...content, v: EVENT_VERSION } : content;
}

/**
 * Version 2 wrote what was seen on a feature as one text, “feature: what”; all else as later ones do.
 * @example liftedFrom2({ kind: "step", to: 2 }) // { kind: "step", to: 2 }
 */
export function liftedFrom2(event: unknown): unknown {
  if (!isRecord(event) || event.kind !== "rework" || !isRecord(event.cause)) return event;
  const { faults } = event.cause;
  if (!Array.isArray(faults)) return event;
  return { ...event, cause: { ...event.cause, faults: faults.map(faultFrom2) } };
}

function faultFrom2(fault: unknown): unknown {
  if (typeof fault !== "string") return fault;
  const at = fault.lastIndexOf(": ");
  return { feature: fault.slice(0, at), what: fault.slice(at + 2) };
}

/** Version 1 called a retry a redo, and named what it took back otherwise; all else it wrote as version 2 does. */
function liftedFrom1(event: unknown): unknown {
  if (!isRecord(event)) return event;
  if (event.kind === "redo") return { ...event, kind: "retry" };
  if (event.kind === "untake") return { kind: "take-back", event: event.entry };
  return event;
}

/** Whether an event can be read. */
export const isRead = (event: Recorded["event"]): event is EndEvent => event.kind !== "unread";
