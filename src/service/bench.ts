import { z } from "zod";
import { check, type zBenchAnswer } from "@/core";
import { countOpen, openWork } from "@/store/ends";
import type { Store } from "@/store/store";

/** A page of what is at the bench. */
export const BENCH_PAGE = 60;

export const zBenchQuery = z.strictObject({
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/i, "The place to go on from is not one this bench gave")
    .optional(),
});

export type BenchPage = z.output<typeof zBenchAnswer>;

/** Work not signed off, newest first: ends by themselves, and those of one batch as one. @throws InputError. */
export function benchPage(store: Store, query: unknown): BenchPage {
  const [createdAt, id] = check(zBenchQuery, query).before?.split("~") ?? [];
  const found = openWork(store, createdAt && id ? { createdAt, id } : undefined, BENCH_PAGE + 1);
  const rows = found.slice(0, BENCH_PAGE);
  const last = rows.at(-1);
  return {
    rows: rows.map(({ count, ...end }) => ({
      id: end.id,
      createdAt: end.createdAt,
      style: end.style,
      styleName: end.styleName,
      cableName: end.cableName,
      core: end.picked.core,
      job: end.job,
      label: end.label,
      batch: end.batchId,
      purpose: end.purpose,
      count,
    })),
    count: countOpen(store),
    next: found.length > BENCH_PAGE && last ? `${last.createdAt}~${last.id}` : null,
  };
}
