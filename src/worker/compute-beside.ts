import { Worker } from "node:worker_threads";
import { asError, compute, type Problem } from "@/core";
import { threadFile } from "./own-thread";

/** What the thread answers: what was computed, or why it was not. */
export type Computed =
  | { readonly answer: unknown }
  | { readonly problem: Problem }
  | { readonly failed: string };

/** Operations that can take seconds at their limits: the server answers everybody else meanwhile. */
const LONG: ReadonlySet<string> = new Set(["reels", "trays", "stocked-taps"]);

/** The one that is computed now: the next begins when it has ended, so that a server of two cores stays free. */
let last: Promise<unknown> = Promise.resolve();

/**
 * Runs one operation on plain JSON; what can take long in a thread of its own, one after the other.
 * @returns plain JSON. @throws InputError as `compute` does.
 */
export function computeBeside(name: string, input: unknown): Promise<unknown> {
  if (!LONG.has(name)) return compute(name, input);
  const turn = last.then(() => inThread(name, input));
  last = turn.catch(() => undefined);
  return turn;
}

function inThread(name: string, input: unknown): Promise<unknown> {
  // Not by `new`: the bundler would take the file in, and it is read as it lies.
  const worker: Worker = Reflect.construct(Worker, [
    threadFile("compute-thread"),
    { workerData: { name, input } },
  ]);
  return new Promise((done, failed) => {
    worker.once("message", (computed: Computed) => {
      if ("answer" in computed) done(computed.answer);
      else failed("problem" in computed ? asError(computed.problem) : new Error(computed.failed));
      void worker.terminate();
    });
    worker.once("error", failed);
    worker.once("exit", () => failed(new Error("the computing thread ended")));
  });
}
