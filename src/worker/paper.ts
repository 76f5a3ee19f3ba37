import "@/messages/speak";

import { constants, setPriority } from "node:os";
import { parentPort } from "node:worker_threads";
import { problemOf } from "@/core";
import { withAttachment } from "@/paper/attached";
import { cardsPdf } from "@/paper/card/card-pdf";
import { closuresPdf } from "@/paper/closure-paper";
import type { PaperAnswer, PaperAsked, PaperDocument, PaperRecord } from "@/paper/paper-thread";
import { pagesPdf, recordsPdf } from "@/paper/record-paper";
import { tagged } from "@/paper/tagged";

// Whoever asks for anything else comes first. Elsewhere than here the whole server would stand back, not this thread alone.
if (process.platform === "linux") setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

const gathered = new Map<number, PaperDocument[]>();

/** Sets records on paper in a thread of its own: gathered one by one, set when asked. */
parentPort?.on("message", async (request: PaperAsked) => {
  const { n } = request;
  const documents = gathered.get(n) ?? [];
  if ("add" in request) {
    gathered.set(n, [...documents, request.add]);
    return;
  }
  gathered.delete(n);
  if (request.last === "forget") return;
  let answer: PaperAnswer;
  try {
    answer = { n, bytes: await printed(documents) };
  } catch (error) {
    const problem = problemOf(error);
    answer = problem ? { n, problem } : { n, failed: String(error) };
  }
  parentPort?.postMessage(answer);
});

/** The PDF of cards or closures where there are any, else of the ends. */
async function printed(documents: readonly PaperDocument[]): Promise<Buffer> {
  const cards = documents.flatMap((document) => ("cards" in document ? document.cards : []));
  if (cards.length > 0) return cardsPdf(cards);
  const closures = documents.flatMap((document) => ("closure" in document ? [document.closure] : []));
  if (closures.length > 0) return tagged(await closuresPdf(closures));
  const records = documents.filter((document): document is PaperRecord => "record" in document);
  const photos = new Map(records.flatMap((record) => [...record.photos]));
  const sheets = new Map(records.map(({ record, sheet }) => [record.id, sheet]));
  const print = records.every(({ form }) => form === "page") ? pagesPdf : recordsPdf;
  const [proof = null] = records.length === 1 ? records.map((record) => record.proof) : [];
  const pdf = await print(
    records.map(({ record }) => record),
    photos,
    sheets,
    proof?.seal,
  );
  const readable = await tagged(pdf);
  return proof ? withAttachment(readable, proof) : readable;
}
