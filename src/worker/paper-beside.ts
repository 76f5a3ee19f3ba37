import { z } from "zod";
import type { ClosureRecord, RecordDocument, RunSheet } from "@/core";
import type { Attachment } from "@/paper/attached";
import type { JobPages } from "@/paper/card/job-pages";
import type { CardPage } from "@/paper/card/shapes";
import { runningThread, threadRequest } from "./own-thread";

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

/** A job to be set: the thread reads its record itself. */
export interface JobPaper extends Omit<JobPages, "job"> {
  readonly file: string;
  readonly id: string;
  readonly format: "pdf" | "svg" | "dxf";
  /** Page of a drawing, from 1. */
  readonly page: number;
}

/**
 * What the thread is sent: records, one at a time, then to set them; or to forget them. Many records in one message would be
 * copied in one go, and everybody else would wait. Or a job, which it reads itself.
 */
export type PaperAsked =
  | { readonly add: PaperDocument }
  | { readonly last: "set" | "forget" }
  | { readonly job: JobPaper };

/** A file, and how many pages there are to it. */
const zPaperFile = z.strictObject({
  bytes: z.custom<Uint8Array>((value) => value instanceof Uint8Array),
  pages: z.int(),
});
export type PaperFile = z.output<typeof zPaperFile>;

const PROGRAM = "paper";

const begin = () => threadRequest<PaperAsked, PaperFile>(PROGRAM, zPaperFile);

/** Begins the thread before anything is asked of it: what it loads is loaded while nobody waits. */
export const warmPaper = (): void => void runningThread(PROGRAM);

/**
 * Sets records on paper, beside everything else the server does: each is handed over as it comes.
 * @returns the PDF's bytes. @throws InputError `script`.
 */
export async function printRecords(records: AsyncIterable<PaperDocument>): Promise<Uint8Array> {
  const { tell, answer, drop } = begin();
  // A thread that ends while records still come is reported once they have come.
  answer.catch(() => undefined);
  try {
    for await (const add of records) tell({ add });
  } catch (error) {
    tell({ last: "forget" });
    drop();
    throw error;
  }
  tell({ last: "set" });
  return (await answer).bytes;
}

/**
 * Sets what is printed of a job, or draws a page of it.
 * @throws InputError `not-found` where there is no such job or page, or nothing to print; `script`.
 */
export function printJob(job: JobPaper): Promise<PaperFile> {
  const { tell, answer } = begin();
  tell({ job });
  return answer;
}
