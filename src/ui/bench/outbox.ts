import { z } from "zod";
import { type Entry, zEntry } from "@/core";

const zWaiting = z.array(
  z.object({ id: z.uuid(), client: z.string(), after: z.number(), at: z.string(), entry: zEntry }),
);

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

const PREFIX = "arlent-waiting-";
const keyOf = (end: string) => PREFIX + end;

/** Ends that have anything waiting on this device. */
export const endsWaiting = (box: Box): string[] =>
  Array.from({ length: box.length }, (_, i) => box.key(i) ?? "").flatMap((key) =>
    key.startsWith(PREFIX) ? [key.slice(PREFIX.length)] : [],
  );

/** What still waits for an end. Anything unreadable is left out rather than sent. */
export function waitingFor(box: Box, end: string): Waiting[] {
  try {
    return zWaiting.parse(JSON.parse(box.getItem(keyOf(end)) ?? "[]"));
  } catch {
    return [];
  }
}

function keep(box: Box, end: string, waiting: readonly Waiting[]): void {
  if (waiting.length === 0) box.removeItem(keyOf(end));
  else box.setItem(keyOf(end), JSON.stringify(waiting));
}

/** Adds to what waits. */
export const putIn = (box: Box, end: string, one: Waiting): void =>
  keep(box, end, [...waitingFor(box, end), one]);

/** Takes entries out: answered, or refused for good. */
export const takeOut = (box: Box, end: string, ids: readonly string[]): void =>
  keep(
    box,
    end,
    waitingFor(box, end).filter(({ id }) => !ids.includes(id)),
  );
