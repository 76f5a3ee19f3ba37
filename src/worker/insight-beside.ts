import { join } from "node:path";
import { Worker } from "node:worker_threads";
import type { Insight } from "@/core";
import { type InsightQuery, insightOf } from "@/service/insight/insight";
import { sinceChanged } from "@/service/since-changed";

type Store = Parameters<typeof insightOf>[0];

/** A question to the thread under its number, and the answer. */
export interface InsightAsked {
  readonly n: number;
  readonly file: string;
  readonly query: Partial<InsightQuery>;
}
export type InsightAnswer =
  | { readonly n: number; readonly insight: Insight }
  | { readonly n: number; readonly failed: string };

interface Thread {
  readonly worker: Worker;
  requests: number;
  readonly waiting: Map<number, { done: (insight: Insight) => void; failed: (error: Error) => void }>;
}

declare global {
  /** The one thread of the process that answers from the record. */
  var arlentInsight: Thread | undefined;
}

/** Put together with the build, and before tests; while the program is written, its source is read. */
const programOf = (): string =>
  process.env.NODE_ENV === "development" ? "src/worker/insight-thread.mjs" : ".arlent/run/insight-thread.mjs";

/** The thread: begun with the first question, kept for the next, and no reason to keep the program running. */
function thread(): Thread {
  if (globalThis.arlentInsight) return globalThis.arlentInsight;
  // Not by `new`: the bundler would take the file in, and it is read as it lies.
  const worker: Worker = Reflect.construct(Worker, [join(process.cwd(), programOf())]);
  const waiting: Thread["waiting"] = new Map();
  const begun: Thread = { worker, waiting, requests: 0 };
  const end = (error: Error) => {
    if (globalThis.arlentInsight === begun) globalThis.arlentInsight = undefined;
    for (const { failed } of waiting.values()) failed(error);
    waiting.clear();
  };
  worker.on("message", (answer: InsightAnswer) => {
    const request = waiting.get(answer.n);
    waiting.delete(answer.n);
    if (waiting.size === 0) worker.unref();
    if ("insight" in answer) request?.done(answer.insight);
    else request?.failed(new Error(answer.failed));
  });
  worker.on("error", end);
  worker.on("exit", () => end(new Error("the thread that answers from the record ended")));
  worker.unref();
  globalThis.arlentInsight = begun;
  return begun;
}

function workedOut(file: string, query: Partial<InsightQuery>): Promise<Insight> {
  const begun = thread();
  begun.requests += 1;
  const n = begun.requests;
  begun.worker.ref();
  return new Promise((done, failed) => {
    begun.waiting.set(n, { done, failed });
    begun.worker.postMessage({ n, file, query } satisfies InsightAsked);
  });
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
