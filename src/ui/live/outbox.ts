import { toast } from "sonner";
import { z } from "zod";
import type { EndId } from "@/core";
import { type EndEvent, eventOfVersion1, liftedFrom2, zEvent } from "@/core";
import { t } from "@/messages/live";

/** What every event made on this device carries. */
export const zMade = {
  id: z.uuid(),
  client: z.string(),
  after: z.number(),
  at: z.string(),
  by: z.string().nullable().default(null),
};
const zWaiting = z.object({ ...zMade, event: zEvent });

/** The same as read: a page of version 2 may have left it. */
const zLeft = z.object({ ...zMade, event: z.unknown().transform(liftedFrom2).pipe(zEvent) });

/** As an older page left it on this device: the event by another name, its lengths in micrometres. */
const zOlder = z.object({ ...zMade, entry: z.unknown().transform(eventOfVersion1) });

const read = (text: string): Waiting => {
  const saved: unknown = JSON.parse(text);
  const older = zOlder.safeParse(saved);
  if (!older.success || older.data.entry === null) return zLeft.parse(saved);
  const { entry: event, ...sent } = older.data;
  return { ...sent, event };
};

/** An event made on this device and not yet answered by the server. */
export interface Waiting {
  readonly id: string;
  readonly client: string;
  /** The last event seen when the person acted. */
  readonly after: number;
  readonly at: string;
  /** Who was working; null where nobody said. */
  readonly by: string | null;
  readonly event: EndEvent;
}

/** Where events wait: this device's storage, so that closing the lid loses nothing. */
export interface Box {
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
  key(index: number): string | null;
  readonly length: number;
}

// One key an event, named so that keys sort in the order the events were made: two windows of one browser
// add and take out at the same time without ever writing over one another.
export const WAITING = "arlent-waiting/";

let count = 0;

/** Keys of a box that begin so, in the order they were made. */
export const keysOf = (box: Box, prefix: string): string[] =>
  Array.from({ length: box.length }, (_, i) => box.key(i) ?? "")
    .filter((key) => key.startsWith(prefix))
    .sort();

/** Ends that have anything waiting on this device. */
export const endsWaiting = (box: Box): string[] => [
  ...new Set(keysOf(box, WAITING).map((key) => key.split("/")[1] ?? "")),
];

/** An event as it lies in a box; null where it cannot be read. */
export function readWaiting(text: string): Waiting | null {
  try {
    return read(text);
  } catch {
    return null;
  }
}

/** What still waits for an end, in the order it was made. Anything unreadable is not sent, and stays where it is. */
export const waitingFor = (box: Box, end: EndId): Waiting[] =>
  keysOf(box, `${WAITING}${end}/`).flatMap((key) => readWaiting(box.getItem(key) ?? "") ?? []);

/** Adds to what waits. */
export function putIn(box: Box, end: EndId, waiting: Waiting): void {
  count += 1;
  box.setItem(
    `${WAITING}${end}/${waiting.at}-${String(count).padStart(6, "0")}/${waiting.id}`,
    JSON.stringify(z.encode(zWaiting, waiting)),
  );
}

/** Takes an event out: answered, or refused for good. */
export function takeOut(box: Box, end: EndId, id: string): void {
  for (const key of keysOf(box, `${WAITING}${end}/`)) if (key.endsWith(`/${id}`)) box.removeItem(key);
}

/** A box that lasts as long as the page, for where the browser gives none. */
export function pageBox(): Box {
  const held = new Map<string, string>();
  return {
    getItem: (key) => held.get(key) ?? null,
    setItem: (key, value) => void held.set(key, value),
    removeItem: (key) => void held.delete(key),
    key: (index) => [...held.keys()][index] ?? null,
    get length() {
      return held.size;
    },
  };
}

/** A box whose storage may be full: events that do not fit are held by the page, and the user is warned. */
export function roomyBox(storage: Box, full: () => void): Box {
  const page = pageBox();
  const boxOf = (key: string): Box => (page.getItem(key) === null ? storage : page);
  return {
    getItem: (key) => boxOf(key).getItem(key),
    setItem: (key, value) => {
      try {
        storage.setItem(key, value);
        page.removeItem(key);
      } catch {
        page.setItem(key, value);
        full();
      }
    },
    removeItem: (key) => boxOf(key).removeItem(key),
    key: (index) => (index < storage.length ? storage.key(index) : page.key(index - storage.length)),
    get length() {
      return storage.length + page.length;
    },
  };
}

let device: Box | null = null;

function tellFull(): void {
  toast.warning(t("this-device-s-storage-is-full"), {
    id: "storage-full",
    duration: Number.POSITIVE_INFINITY,
  });
}

/** This device's box: its storage, or the page's own where storage is full or forbidden. */
export function deviceBox(): Box {
  if (device) return device;
  try {
    localStorage.setItem("arlent-probe", "1");
    localStorage.removeItem("arlent-probe");
    device = roomyBox(localStorage, tellFull);
  } catch {
    device = pageBox();
  }
  return device;
}
