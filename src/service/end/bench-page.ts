import type { z } from "zod";
import { personBy, runningClocks, shardsMissing, type zBenchAnswer, type zBenchQuery } from "@/core";
import type { Store } from "@/store/database/store";
import { countOpen, type EndRow, openWork } from "@/store/record/ends";
import { allPeople } from "@/store/workshop/people";
import { historyOf } from "./history";
import { sheetOf } from "./kept-sheets";
import { placeOfEnd } from "./place-of-end";

/** A page of what is at the bench. */
export const BENCH_PAGE = 60;

export type BenchPage = z.output<typeof zBenchAnswer>;

/** Where one end stands, as a list says it. */
function stands(
  store: Store,
  end: EndRow,
  now: Date,
): Pick<BenchPage["rows"][number], "piece" | "step" | "person" | "parked" | "late" | "shards"> {
  const { lines } = sheetOf(store, end);
  const { events, state } = historyOf(store, end);
  const line = lines[Math.min(state.at, lines.length - 1)];
  const by = events.findLast((event) => event.by)?.by ?? null;
  const late = runningClocks({ lines }, state).filter(
    ({ startedAt, seconds }) => Date.parse(startedAt) + seconds * 1000 < now.getTime(),
  );
  return {
    piece: placeOfEnd(store, end)?.name ?? "",
    step: { number: (line?.index ?? 0) + 1, of: lines.length, title: line?.step.title ?? "" },
    person: by === null ? "" : (personBy(allPeople(store), by)?.name ?? ""),
    parked: state.parked?.why ?? null,
    shards: shardsMissing(state),
    late: state.parked ? [] : late.map(({ of }) => of),
  };
}

/** Work not signed off, newest first: ends by themselves, and those of one batch as one. @throws InputError. */
export function benchPage(store: Store, query: z.output<typeof zBenchQuery>, now = new Date()): BenchPage {
  const [createdAt, id] = query.before?.split("~") ?? [];
  const page = openWork(store, createdAt && id ? { createdAt, id } : undefined, BENCH_PAGE + 1);
  const rows = page.slice(0, BENCH_PAGE);
  const last = rows.at(-1);
  return {
    rows: rows.map(({ count, ...end }) => ({
      ...stands(store, end, now),
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
    next: page.length > BENCH_PAGE && last ? `${last.createdAt}~${last.id}` : null,
  };
}
