import { z } from "zod";
import { type Recorded, zEventsAnswer } from "@/core";
import { merged } from "./standing";

type Listener = (end: string, events: readonly Recorded[]) => void;

const listeners = new Set<Listener>();
const heard = new Map<string, readonly Recorded[]>();

/** All that this window was told of an end: a page come back to is given it as it was when it was first opened. */
export const heardOf = (end: string): readonly Recorded[] => heard.get(end) ?? [];

function hear(end: string, events: readonly Recorded[]): void {
  heard.set(end, merged(heardOf(end), events));
  for (const listener of [...listeners]) listener(end, events);
}

/**
 * Tells all that show an end what the server holds of it, whoever asked, in this window and the device's others: in the
 * moment it waits on the device no longer, so that nobody sees the end as it stood before.
 */
export function tell(end: string, events: readonly Recorded[]): void {
  hear(end, events);
  if (events.length > 0) otherWindows()?.postMessage({ end, answer: z.encode(zEventsAnswer, { events }) });
}

/** Listens to what is told of ends. @returns what ends it. */
export function onTold(listener: Listener): () => void {
  otherWindows();
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** One may be of another build: what it tells is read as a server's answer is. */
const zTold = z.object({ end: z.string(), answer: zEventsAnswer });

let channel: BroadcastChannel | null = null;

/** The other windows of this device; none where there is no window at all. */
function otherWindows(): BroadcastChannel | null {
  if (channel || typeof window === "undefined") return channel;
  channel = new BroadcastChannel("arlent-told");
  channel.onmessage = ({ data }) => {
    const told = zTold.safeParse(data);
    if (told.success) hear(told.data.end, told.data.answer.events);
  };
  return channel;
}
