import { parentPort } from "node:worker_threads";
import { problemOf } from "@/core";
import type { PaperAnswer, PaperAsked } from "@/ui/paper/paper-thread";
import { recordsPdf } from "@/ui/paper/record-paper";

/** Sets records on paper in a thread of its own, one request after the other. */
parentPort?.on("message", async ({ n, records, photos, sheets }: PaperAsked) => {
  let answer: PaperAnswer;
  try {
    answer = { n, bytes: await recordsPdf(records, photos, sheets) };
  } catch (error) {
    const problem = problemOf(error);
    answer = problem ? { n, problem } : { n, failed: String(error) };
  }
  parentPort?.postMessage(answer);
});
