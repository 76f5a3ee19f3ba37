import { applied, type EndState, endState, type Recorded } from "@/core";
import type { Waiting } from "./outbox";

/** Known events merged with later ones, in order, each event once; the very same where nothing is new. */
export function merged(recorded: readonly Recorded[], received: readonly Recorded[]): readonly Recorded[] {
  const fresh = received.filter(({ id }) => !recorded.some((event) => event.id === id));
  return fresh.length === 0 ? recorded : [...recorded, ...fresh].sort((a, b) => a.seq - b.seq);
}

/** Where an end stands: what the server holds of it, with what still waits on this device over it. */
export const standing = (recorded: readonly Recorded[], waiting: readonly Waiting[]): EndState =>
  waiting
    .filter((event) => !recorded.some(({ id }) => id === event.id))
    .reduce(
      (before, { id, client, at, event }) => applied(before, { id, seq: before.lastSeq, at, client, event }),
      endState(recorded),
    );
