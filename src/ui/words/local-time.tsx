"use client";

import { moment } from "@/messages/numbers";

/** A time of the record, in the reader's own zone. */
export function LocalTime({ iso }: { iso: string }) {
  return (
    <time dateTime={iso} suppressHydrationWarning>
      {moment(new Date(iso))}
    </time>
  );
}
