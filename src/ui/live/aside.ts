import { z } from "zod";
import type { EndId } from "@/core";
import { type EndEvent, type Problem, zEvent } from "@/core";
import { t } from "@/messages/live";
import { type Box, keysOf, putIn, readWaiting, takeOut, WAITING, type Waiting, zMade } from "./outbox";

/** What the server refused for good, or what this program cannot read: kept on this device until somebody says what becomes of it. */
export interface Aside {
  readonly key: string;
  readonly end: EndId;
  /** Null where it cannot be read: an older or newer page left it, or something else did. */
  readonly event: EndEvent | null;
  /** Why it was not stored. */
  readonly why: string;
  /** As it lies in storage: what is copied. */
  readonly text: string;
}

const ASIDE = "arlent-aside/";
const DROPPED = "arlent-dropped/";

const zAside = z.object({ ...zMade, end: z.string(), why: z.string(), event: zEvent });

/** Kinds that hold what a person typed or saw; the rest follows from where the end stands, and is asked again. */
const TOLD: readonly EndEvent["kind"][] = [
  "reading",
  "light",
  "end-face",
  "answer",
  "fault",
  "label",
  "spare",
  "shards",
  "sign",
  "countersign",
  "correction",
];

export const isTold = ({ kind }: EndEvent): boolean => TOLD.includes(kind);

/** Sets aside what was refused, so that what waits behind it goes on. */
export function setAside(box: Box, end: EndId, waiting: Waiting, { message }: Problem): void {
  box.setItem(
    `${ASIDE}${end}/${waiting.at}/${waiting.id}`,
    JSON.stringify(z.encode(zAside, { ...waiting, end, why: message })),
  );
  takeOut(box, end, waiting.id);
}

/** Everything set aside on this device, and what waits that cannot be read. */
export const asides = (box: Box): Aside[] => [
  ...keysOf(box, ASIDE).map((key) => readAside(box, key)),
  ...keysOf(box, WAITING).flatMap((key) => unread(box, key) ?? []),
];

function readAside(box: Box, key: string): Aside {
  const text = box.getItem(key) ?? "";
  const read = zAside.safeParse(jsonOf(text));
  return read.success
    ? { key, end: read.data.end, event: read.data.event, why: read.data.why, text }
    : { key, end: key.split("/")[1] ?? "", event: null, why: UNREADABLE, text };
}

const UNREADABLE = t("this-page-cannot-read-it-another");

/** What waits and cannot be read; null where it can, and will be sent. */
function unread(box: Box, key: string): Aside | null {
  const text = box.getItem(key) ?? "";
  return readWaiting(text) ? null : { key, end: key.split("/")[1] ?? "", event: null, why: UNREADABLE, text };
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Sends it once more with what waits. @returns whether it could be: what cannot be read is not sent. */
export function tryAgain(box: Box, { key, end, text }: Aside): boolean {
  const read = zAside.safeParse(jsonOf(text));
  if (!read.success) return false;
  const { end: _, why: __, ...first } = read.data;
  putIn(box, end, first);
  box.removeItem(key);
  return true;
}

/** Gives it up, for a reason; both stay on this device's list of what was given up. */
export function drop(box: Box, { key, text }: Aside, reason: string, at: string): void {
  box.setItem(`${DROPPED}${at}/${key.split("/").at(-1)}`, JSON.stringify({ reason, at, text }));
  box.removeItem(key);
}

/** What was given up on this device, with its reason, the newest last. */
export const dropped = (
  box: Box,
): readonly { readonly reason: string; readonly at: string; readonly text: string }[] =>
  keysOf(box, DROPPED).flatMap((key) => {
    const read = z
      .object({ reason: z.string(), at: z.string(), text: z.string() })
      .safeParse(jsonOf(box.getItem(key) ?? ""));
    return read.success ? [read.data] : [];
  });
