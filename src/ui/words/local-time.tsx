"use client";

import { clock, moment } from "@/messages/numbers";

/** A time of the record, in the reader's own zone. */
export function LocalTime({ iso }: { iso: string }) {
  return (
    <time dateTime={iso} suppressHydrationWarning>
      {moment(new Date(iso))}
    </time>
  );
}

/** The hour and minute of a time of the record, in the reader's own zone. */
export function LocalClock({ iso }: { iso: string }) {
  return (
    <time dateTime={iso} suppressHydrationWarning>
      {clock(new Date(iso))}
    </time>
  );
}
