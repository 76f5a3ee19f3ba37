import type { Recorded } from "@/core";

type Listener = (end: string, events: readonly Recorded[]) => void;

const listeners = new Set<Listener>();

/**
 * Tells all of this page that show an end what the server holds of it, whoever asked: in the moment it waits on the device no
 * longer, so that nobody sees the end as it stood before.
 */
export function tell(end: string, events: readonly Recorded[]): void {
  for (const listener of [...listeners]) listener(end, events);
}

/** Listens to what is told of ends. @returns what ends it. */
export function onTold(listener: Listener): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
