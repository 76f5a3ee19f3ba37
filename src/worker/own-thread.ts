import { join } from "node:path";
import { Worker } from "node:worker_threads";
import type { z } from "zod";
import { asError, type Problem, problemOf } from "@/core";

/** Answer of a thread to a request, under its number: a value, a problem to report, or a failure. */
type ThreadAnswer<Value> = { readonly n: number } & (
  | { readonly value: Value }
  | { readonly problem: Problem }
  | { readonly failed: string }
);

interface RunningThread {
  readonly worker: Worker;
  /** Requests so far: each has its number, whichever bundle asks. */
  requests: number;
  readonly waiting: Map<
    number,
    { readonly done: (value: unknown) => void; readonly failed: (error: Error) => void }
  >;
}

declare global {
  /** The threads of the process by their programs, one each. */
  var arlentThreads: Map<string, RunningThread> | undefined;
}

/** Put together with the build, and before tests; while the program is written, its source is read. */
export const threadFile = (program: string): string =>
  join(
    process.cwd(),
    process.env.NODE_ENV === "development" ? "src/worker" : ".arlent/run",
    `${program}.mjs`,
  );

/** The thread of a program: begun with the first request, kept for the next, and no reason to keep the process running. */
export function runningThread(program: string): RunningThread {
  globalThis.arlentThreads ??= new Map();
  const threads = globalThis.arlentThreads;
  const running = threads.get(program);
  if (running) return running;
  // Not by `new`: the bundler would take the file in, and it is read as it lies.
  const worker: Worker = Reflect.construct(Worker, [threadFile(program)]);
  const waiting: RunningThread["waiting"] = new Map();
  const begun: RunningThread = { worker, waiting, requests: 0 };
  const end = (error: Error) => {
    if (threads.get(program) === begun) threads.delete(program);
    for (const { failed } of waiting.values()) failed(error);
    waiting.clear();
  };
  worker.on("message", (answer: ThreadAnswer<unknown>) => {
    const request = waiting.get(answer.n);
    waiting.delete(answer.n);
    if (waiting.size === 0) worker.unref();
    if ("value" in answer) request?.done(answer.value);
    else request?.failed("problem" in answer ? asError(answer.problem) : new Error(answer.failed));
  });
  worker.on("error", end);
  worker.on("exit", () => end(new Error(`the thread ${program} ended`)));
  worker.unref();
  threads.set(program, begun);
  return begun;
}

/** A request to a thread. */
interface ThreadRequest<Message, Value> {
  /** Sends a message of it. */
  readonly tell: (message: Message) => void;
  readonly answer: Promise<Value>;
  /** Nobody waits for its answer any more. */
  readonly drop: () => void;
}

/** Begins a request to the thread of a program. @param zValue schema of its answer. */
export function threadRequest<Message extends object, Value>(
  program: string,
  zValue: z.ZodType<Value>,
): ThreadRequest<Message, Value> {
  const thread = runningThread(program);
  const { worker, waiting } = thread;
  thread.requests += 1;
  const n = thread.requests;
  const answer = new Promise<Value>((done, failed) => {
    waiting.set(n, { done: (value) => done(zValue.parse(value)), failed });
  });
  worker.ref();
  return {
    tell: (message) => worker.postMessage({ ...message, n }),
    answer,
    drop: () => {
      waiting.delete(n);
      if (waiting.size === 0) worker.unref();
    },
  };
}

/** The answer to a request by its work, within a thread. */
export async function threadAnswer<Value>(
  n: number,
  work: () => Value | Promise<Value>,
): Promise<ThreadAnswer<Value>> {
  try {
    return { n, value: await work() };
  } catch (error) {
    const problem = problemOf(error);
    return problem ? { n, problem } : { n, failed: String(error) };
  }
}
