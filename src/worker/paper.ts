import "@/messages/speak";

import { constants, setPriority } from "node:os";
import { parentPort } from "node:worker_threads";
import { InputError } from "@/core";
import { say } from "@/messages/service";
import { joined, withAttachment } from "@/paper/attached";
import { cardDrawing, mustHavePages } from "@/paper/card/card-drawing";
import { cardsPdf } from "@/paper/card/card-pdf";
import { type JobPages, jobPages } from "@/paper/card/job-pages";
import type { CardPage } from "@/paper/card/shapes";
import { closuresPdf } from "@/paper/closure-paper";
import { pagesPdf, recordsPdf } from "@/paper/record-paper";
import { tagged } from "@/paper/tagged";
import { findJobPrint } from "@/service/job/print";
import { lookingAt } from "@/service/keeping/open-to-look";
import { pulse } from "@/service/pulse";
import { threadAnswer } from "./own-thread";
import type { JobPaper, PaperAsked, PaperDocument, PaperFile, PaperRecord } from "./paper-beside";

// Whoever asks for anything else comes first. Elsewhere than here the whole server would stand back, not this thread alone.
if (process.platform === "linux") setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

const gathered = new Map<number, PaperDocument[]>();

/** Sets records on paper in a thread of its own: gathered one by one, set when asked; and jobs. */
parentPort?.on("message", async (request: PaperAsked & { readonly n: number }) => {
  const { n } = request;
  if ("job" in request) {
    parentPort?.postMessage(await threadAnswer(n, () => printedJob(request.job)));
    return;
  }
  const documents = gathered.get(n) ?? [];
  if ("add" in request) {
    gathered.set(n, [...documents, request.add]);
    return;
  }
  gathered.delete(n);
  if (request.last === "forget") return;
  parentPort?.postMessage(
    await threadAnswer(n, async () => ({ bytes: await printed(documents), pages: documents.length })),
  );
});

/** Pages of the job that was set last: whoever looks through them asks for each. */
let lastSet: { readonly key: string; readonly pages: readonly CardPage[] } | null = null;

/** Pages of a job from its record as it stands, those set last again where nothing was recorded since. */
const pagesOfJob = (file: string, id: string, request: Omit<JobPages, "job">): readonly CardPage[] =>
  lookingAt(file, (store) => {
    const key = JSON.stringify([file, id, request, pulse(store).n]);
    if (lastSet?.key === key) return lastSet.pages;
    const job = findJobPrint(store, id);
    if (!job)
      throw new InputError("not-found", say("no-job-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
    const pages = [...jobPages({ ...request, job })];
    lastSet = { key, pages };
    return pages;
  });

/** What is printed of a job: a PDF, or one page as a drawing. */
async function printedJob({ file, id, format, page, ...request }: JobPaper): Promise<PaperFile> {
  const pages = pagesOfJob(file, id, request);
  const bytes =
    format === "pdf"
      ? await cardsPdf(mustHavePages(pages))
      : new TextEncoder().encode(cardDrawing(pages, format, page));
  return { bytes, pages: pages.length };
}

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
