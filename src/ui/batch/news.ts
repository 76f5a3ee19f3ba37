import type { Recorded } from "@/core";
import { merged } from "../live/standing";

/** One end of a batch, as it is stored. */
export interface Member {
  readonly id: string;
  readonly label: string;
  readonly events: readonly Recorded[];
}

const lastOf = ({ events }: Member): number => events.at(-1)?.seq ?? 0;

/** Of each end in its place, the last event known here: what is asked after. */
export const seenOf = (members: readonly Member[]): string => members.map(lastOf).join(",");

/** The ends of a batch with what is new of some: an event that arrives twice, late or out of order is added once, in its place. */
export const withNews = (members: readonly Member[], news: readonly Member[]): readonly Member[] =>
  members.map((member) => {
    const latest = news.find(({ id }) => id === member.id);
    const events = latest ? merged(member.events, latest.events) : member.events;
    return latest && events !== member.events ? { ...member, label: latest.label, events } : member;
  });
