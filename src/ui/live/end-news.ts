import { z } from "zod";
import type { EndId } from "@/core";
import { type Recorded, zEventsAnswer } from "@/core";
import { merged } from "./standing";

type Listener = (end: EndId, events: readonly Recorded[]) => void;

const listeners = new Set<Listener>();
const cache = new Map<string, readonly Recorded[]>();

/** All the events of an end that this window had news of: a page come back to is given it as it was when it was first opened. */
export const knownEvents = (end: EndId): readonly Recorded[] => cache.get(end) ?? [];

function take(end: EndId, events: readonly Recorded[]): void {
  cache.set(end, merged(knownEvents(end), events));
  for (const listener of [...listeners]) listener(end, events);
}

/**
 * Tells all that show an end what the server holds of it, whoever asked, in this window and the device's others: in the
 * moment it waits on the device no longer, so that nobody sees the end as it stood before.
 */
export function tell(end: EndId, events: readonly Recorded[]): void {
  take(end, events);
  if (events.length > 0) otherWindows()?.postMessage({ end, answer: z.encode(zEventsAnswer, { events }) });
}

/** Listens to the news of ends. @returns what ends it. */
export function onNews(listener: Listener): () => void {
  otherWindows();
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** One may be of another build: what it tells is read as a server's answer is. */
const zNews = z.object({ end: z.string(), answer: zEventsAnswer });

let channel: BroadcastChannel | null = null;

/** The other windows of this device; none on the server, nor in a browser that has no such channel. */
function otherWindows(): BroadcastChannel | null {
  if (channel || typeof window === "undefined" || !("BroadcastChannel" in window)) return channel;
  channel = new BroadcastChannel("arlent-news");
  channel.onmessage = ({ data }) => {
    const news = zNews.safeParse(data);
    if (news.success) take(news.data.end, news.data.answer.events);
  };
  return channel;
}
