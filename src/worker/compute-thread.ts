import "@/messages/speak";

import { parentPort, workerData } from "node:worker_threads";
import { compute, problemOf } from "@/core";
import type { Computed } from "./compute-beside";

/** Runs the one operation it was begun for, and answers. */
async function computed({
  name,
  input,
}: {
  readonly name: string;
  readonly input: unknown;
}): Promise<Computed> {
  try {
    return { answer: await compute(name, input) };
  } catch (error) {
    const problem = problemOf(error);
    return problem ? { problem } : { failed: String(error) };
  }
}

parentPort?.postMessage(await computed(workerData));
