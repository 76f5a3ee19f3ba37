import "@/messages/speak";

import { constants, setPriority } from "node:os";
import { parentPort } from "node:worker_threads";
import { problemOf } from "@/core";
import type { PaperAnswer, PaperAsked, PaperRecord } from "@/paper/paper-thread";
import { pagesPdf, recordsPdf } from "@/paper/record-paper";

// Whoever asks for anything else comes first. Elsewhere than here the whole server would stand back, not this thread alone.
if (process.platform === "linux") setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

const gathered = new Map<number, PaperRecord[]>();

/** Sets records on paper in a thread of its own: gathered one by one, set when asked. */
parentPort?.on("message", async (request: PaperAsked) => {
  const { n } = request;
  const records = gathered.get(n) ?? [];
  if ("add" in request) {
    gathered.set(n, [...records, request.add]);
    return;
  }
  gathered.delete(n);
  if (request.last === "forget") return;
  let answer: PaperAnswer;
  try {
    const photos = new Map(records.flatMap((record) => [...record.photos]));
    const sheets = new Map(records.map(({ record, sheet }) => [record.id, sheet]));
    const print = records.every(({ form }) => form === "page") ? pagesPdf : recordsPdf;
    answer = {
      n,
      bytes: await print(
        records.map(({ record }) => record),
        photos,
        sheets,
      ),
    };
  } catch (error) {
    const problem = problemOf(error);
    answer = problem ? { n, problem } : { n, failed: String(error) };
  }
  parentPort?.postMessage(answer);
});
