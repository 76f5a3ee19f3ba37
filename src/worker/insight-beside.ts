import { z } from "zod";
import type { Insight } from "@/core";
import { type InsightQuery, insightOf } from "@/service/insight/insight";
import { sinceChanged } from "@/service/since-changed";
import { threadRequest } from "./own-thread";

type Store = Parameters<typeof insightOf>[0];

/** A question to the thread: the record's file, and the filter. */
export interface InsightAsked {
  readonly file: string;
  readonly query: Partial<InsightQuery>;
}

function workedOut(file: string, query: Partial<InsightQuery>): Promise<Insight> {
  const { tell, answer } = threadRequest<InsightAsked, Insight>("insight-thread", z.custom<Insight>());
  tell({ file, query });
  return answer;
}

/** Bytes from which a record is worked out beside the server: under it, that takes less than a page may. */
const LARGE = 24 * 1024 * 1024;

const answers = sinceChanged(
  (store, key): Promise<Insight> => workedOut(store.$client.name, JSON.parse(key)),
);

/**
 * Answers from the record: a small one's at once, a large one's in a thread of its own, so that the server answers everybody
 * else meanwhile. Kept until something is begun, signed or checked.
 */
export function insightBeside(store: Store, query: Partial<InsightQuery> = {}): Promise<Insight> {
  const { memory, name } = store.$client;
  const pages = Number(store.$client.pragma("page_count", { simple: true }));
  const bytes = pages * Number(store.$client.pragma("page_size", { simple: true }));
  if (memory || name === "" || bytes < LARGE) return Promise.resolve(insightOf(store, query));
  return answers(store, JSON.stringify(query));
}
