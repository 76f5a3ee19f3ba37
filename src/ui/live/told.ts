import type { Recorded } from "@/core";
import { merged } from "./standing";

type Listener = (end: string, events: readonly Recorded[]) => void;

const listeners = new Set<Listener>();
const heard = new Map<string, readonly Recorded[]>();

/** All that this window was told of an end: a page come back to is given it as it was when it was first opened. */
export const heardOf = (end: string): readonly Recorded[] => heard.get(end) ?? [];

/**
 * Tells all of this page that show an end what the server holds of it, whoever asked: in the moment it waits on the device no
 * longer, so that nobody sees the end as it stood before.
 */
export function tell(end: string, events: readonly Recorded[]): void {
  heard.set(end, merged(heardOf(end), events));
  for (const listener of [...listeners]) listener(end, events);
}

/** Listens to what is told of ends. @returns what ends it. */
export function onTold(listener: Listener): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
