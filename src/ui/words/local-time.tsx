"use client";

import { format } from "date-fns";

/** A time of the record, in the reader's own zone. */
export function LocalTime({ iso }: { iso: string }) {
  return (
    <time dateTime={iso} suppressHydrationWarning>
      {format(new Date(iso), "d MMM yyyy, HH:mm")}
    </time>
  );
}
