import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { asError, type ClosureRecord, type Problem, type RecordDocument, type RunSheet } from "@/core";
import type { Attachment } from "./attached";
import type { CardPage } from "./card/shapes";

/** What is set on paper: the record of an end or of a closure, or pages of strip cards. */
export type PaperDocument =
  | PaperRecord
  | { readonly closure: ClosureRecord }
  | { readonly cards: readonly CardPage[] };

/** A record to be set on paper, with its run sheet and its photographs by their hash. */
export interface PaperRecord {
  readonly record: RecordDocument;
  readonly sheet: RunSheet;
  readonly photos: ReadonlyMap<string, Uint8Array>;
  /** One page for whoever it was made for, or the whole log. */
  readonly form: PaperForm;
  /** What proves it to somebody without Arlent, attached where one record is printed; and the seal that is printed on it. */
  readonly proof?: Attachment & { readonly seal: string };
}

const PAPER_FORMS = ["page", "log"] as const;
type PaperForm = (typeof PAPER_FORMS)[number];

/**
 * What the thread is sent under a number: records, one at a time, then to set them; or to forget them. Many records in one
 * message would be copied in one go, and everybody else would wait.
 */
export type PaperAsked = { readonly n: number } & (
  | { readonly add: PaperDocument }
  | { readonly last: "set" | "forget" }
);

/** What it answers: the file, or why there is none. */
export type PaperAnswer =
  | { readonly n: number; readonly bytes: Uint8Array }
  | { readonly n: number; readonly problem: Problem }
  | { readonly n: number; readonly failed: string };

interface Thread {
  readonly worker: Worker;
  /** How many have been asked for: each has its number, whichever bundle asks. */
  requests: number;
  readonly waiting: Map<number, { done: (bytes: Uint8Array) => void; failed: (error: Error) => void }>;
}

declare global {
  /** The one thread of the process. */
  var arlentPaper: Thread | undefined;
}

/** Put together with the build, and before tests; while the program is written, its source is read. */
const programOf = (): string =>
  process.env.NODE_ENV === "development" ? "src/worker/paper.mjs" : ".arlent/run/paper.mjs";

/** The thread records are set in: begun with the first, kept for the next, and no reason to keep the program running. */
function thread(): Thread {
  if (globalThis.arlentPaper) return globalThis.arlentPaper;
  // Not by `new`: the bundler would take the file in, and it is read as it lies.
  const worker: Worker = Reflect.construct(Worker, [join(process.cwd(), programOf())]);
  const waiting: Thread["waiting"] = new Map();
  const begun: Thread = { worker, waiting, requests: 0 };
  const end = (error: Error) => {
    if (globalThis.arlentPaper === begun) globalThis.arlentPaper = undefined;
    for (const { failed } of waiting.values()) failed(error);
    waiting.clear();
  };
  worker.on("message", (answer: PaperAnswer) => {
    const write = waiting.get(answer.n);
    waiting.delete(answer.n);
    if (waiting.size === 0) worker.unref();
    if ("bytes" in answer) write?.done(answer.bytes);
    else if ("problem" in answer) {
      write?.failed(asError(answer.problem));
    } else write?.failed(new Error(answer.failed));
  });
  worker.on("error", end);
  worker.on("exit", () => end(new Error("the paper thread ended")));
  worker.unref();
  globalThis.arlentPaper = begun;
  return begun;
}

/** Begins the thread before anything is asked of it: what it loads is loaded while nobody waits. */
export const warmPaper = (): void => void thread();

/**
 * Sets records on paper, beside everything else the server does: each is handed over as it comes.
 * @returns the PDF's bytes. @throws InputError `script`.
 */
export async function printRecords(records: AsyncIterable<PaperDocument>): Promise<Uint8Array> {
  const begun = thread();
  const { worker, waiting } = begun;
  begun.requests += 1;
  const n = begun.requests;
  const tell = (request: PaperAsked) => worker.postMessage(request);
  const answer = new Promise<Uint8Array>((done, failed) => {
    waiting.set(n, { done, failed });
  });
  // A thread that ends while records still come is reported once they have come.
  answer.catch(() => undefined);
  worker.ref();
  try {
    for await (const add of records) tell({ n, add });
  } catch (error) {
    tell({ n, last: "forget" });
    waiting.delete(n);
    if (waiting.size === 0) worker.unref();
    throw error;
  }
  tell({ n, last: "set" });
  return answer;
}
