import type { Recorded } from "@/core";

/** One end of a batch, as it is stored. */
export interface Member {
  readonly id: string;
  readonly label: string;
  readonly events: readonly Recorded[];
}

const lastOf = ({ events }: Member): number => events.at(-1)?.seq ?? 0;

/** Of each end in its place, the last event known here: what is asked after. */
export const seenOf = (members: readonly Member[]): string => members.map(lastOf).join(",");

/** The ends of a batch with what is new of some: told twice, or late, it is added once. */
export const withNews = (members: readonly Member[], news: readonly Member[]): readonly Member[] =>
  members.map((member) => {
    const told = news.find(({ id }) => id === member.id);
    const fresh = told?.events.filter(({ seq }) => seq > lastOf(member)) ?? [];
    return told && fresh.length > 0
      ? { ...member, label: told.label, events: [...member.events, ...fresh] }
      : member;
  });
