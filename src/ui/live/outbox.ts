import { z } from "zod";
import { type Entry, zEntry } from "@/core";

const zWaiting = z.object({
  id: z.uuid(),
  client: z.string(),
  after: z.number(),
  at: z.string(),
  entry: zEntry,
});

/** An entry made on this device and not yet answered by the server. */
export interface Waiting {
  readonly id: string;
  readonly client: string;
  /** The last entry seen when the person acted. */
  readonly after: number;
  readonly at: string;
  readonly entry: Entry;
}

/** Where entries wait: this device's storage, so that closing the lid loses nothing. */
export interface Box {
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
  key(index: number): string | null;
  readonly length: number;
}

// One key an entry, named so that keys sort in the order the entries were made: two windows of one browser
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
      return [zWaiting.parse(JSON.parse(box.getItem(key) ?? ""))];
    } catch {
      return [];
    }
  });
}

/** Adds to what waits. */
export function putIn(box: Box, end: string, one: Waiting): void {
  made += 1;
  box.setItem(`${PREFIX}${end}/${one.at}-${String(made).padStart(6, "0")}/${one.id}`, JSON.stringify(one));
}

/** Takes an entry out: answered, or refused for good. */
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
