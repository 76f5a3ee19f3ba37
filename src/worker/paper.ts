import "@/messages/speak";

import { constants, setPriority } from "node:os";
import { parentPort } from "node:worker_threads";
import { problemOf } from "@/core";
import { joined, withAttachment } from "@/paper/attached";
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

/** The PDF of cards or closures where there are any, with the ends of a closure behind it, else of the ends. */
async function printed(documents: readonly PaperDocument[]): Promise<Buffer> {
  const cards = documents.flatMap((document) => ("cards" in document ? document.cards : []));
  if (cards.length > 0) return cardsPdf(cards);
  const closures = documents.flatMap((document) => ("closure" in document ? [document.closure] : []));
  const records = documents.filter((document): document is PaperRecord => "record" in document);
  if (closures.length > 0) {
    const closurePages = await closuresPdf(closures);
    return tagged(records.length === 0 ? closurePages : await joined(closurePages, await ofEnds(records)));
  }
  const [proof = null] = records.length === 1 ? records.map((record) => record.proof) : [];
  const readable = await tagged(await ofEnds(records, proof?.seal));
  return proof ? withAttachment(readable, proof) : readable;
}

function ofEnds(records: readonly PaperRecord[], seal?: string): Promise<Buffer> {
  const photos = new Map(records.flatMap((record) => [...record.photos]));
  const sheets = new Map(records.map(({ record, sheet }) => [record.id, sheet]));
  const print = records.every(({ form }) => form === "page") ? pagesPdf : recordsPdf;
  return print(
    records.map(({ record }) => record),
    photos,
    sheets,
    seal,
  );
}
