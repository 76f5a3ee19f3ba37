import type { BenchTimer } from "@/core";
import type { Store } from "@/store/database/store";
import { endsWithTimers } from "@/store/record/ends";

/** Every hold and cure begun and not ended, the first to be over first. */
export const runningTimers = (store: Store): BenchTimer[] =>
  endsWithTimers(store)
    .flatMap(({ id, job, label, styleName, batchId, timers }) =>
      (timers ?? []).map(({ step, clock, startedAt, seconds }) => ({
        end: id,
        label: [job, label].filter(Boolean).join(" · ") || styleName,
        batch: batchId,
        step,
        ...(clock ? { clock } : {}),
        startedAt,
        seconds,
      })),
    )
    .sort((a, b) => overAt(a) - overAt(b));

const overAt = ({ startedAt, seconds }: BenchTimer): number => Date.parse(startedAt) + seconds * 1000;
