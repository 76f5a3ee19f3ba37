import { z } from "zod";
import { type EndEvent, eventOfVersion1, zEvent } from "@/core";

const zMade = {
  id: z.uuid(),
  client: z.string(),
  after: z.number(),
  at: z.string(),
  by: z.string().nullable().default(null),
};
const zWaiting = z.object({ ...zMade, event: zEvent });

/** As an older page left it on this device: the event by another name, its lengths in micrometres. */
const zOlder = z.object({ ...zMade, entry: z.unknown().transform(eventOfVersion1) });

const read = (text: string): Waiting => {
  const said: unknown = JSON.parse(text);
  const older = zOlder.safeParse(said);
  if (!older.success || older.data.entry === null) return zWaiting.parse(said);
  const { entry: event, ...made } = older.data;
  return { ...made, event };
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
const PREFIX = "arlent-waiting/";

let made = 0;

const keysOf = (box: Box, prefix: string): string[] =>
  Array.from({ length: box.length }, (_, i) => box.key(i) ?? "")
    .filter((key) => key.startsWith(prefix))
    .sort();

/** Ends that have anything waiting on this device. */
export const endsWaiting = (box: Box): string[] => [
  ...new Set(keysOf(box, PREFIX).map((key) => key.split("/")[1] ?? "")),
];

/** What still waits for an end, in the order it was made. Anything unreadable is left out rather than sent. */
export function waitingFor(box: Box, end: string): Waiting[] {
  return keysOf(box, `${PREFIX}${end}/`).flatMap((key) => {
    try {
      return [read(box.getItem(key) ?? "")];
    } catch {
      return [];
    }
  });
}

/** Adds to what waits. */
export function putIn(box: Box, end: string, one: Waiting): void {
  made += 1;
  box.setItem(
    `${PREFIX}${end}/${one.at}-${String(made).padStart(6, "0")}/${one.id}`,
    JSON.stringify(z.encode(zWaiting, one)),
  );
}

/** Takes an event out: answered, or refused for good. */
export function takeOut(box: Box, end: string, id: string): void {
  for (const key of keysOf(box, `${PREFIX}${end}/`)) if (key.endsWith(`/${id}`)) box.removeItem(key);
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

let device: Box | null = null;

/** This device's box: its storage, or the page's own where storage is full or forbidden. */
export function deviceBox(): Box {
  if (device) return device;
  try {
    localStorage.setItem("arlent-probe", "1");
    localStorage.removeItem("arlent-probe");
    device = localStorage;
  } catch {
    device = pageBox();
  }
  return device;
}
