import type { JobPrintPart, PrinterCorrection, RunSheet } from "@/core";
import { t } from "@/messages/paper";
import { CARD_PAPERS, type CardRequest } from "./card-request";
import { type CutRow, cutPages } from "./cut-pages";
import { labelPages, type PrintedLabel } from "./labels";
import { cardPages } from "./layout";
import { pocketPages } from "./pocket";
import { type CardPage, correctedPage } from "./shapes";

interface JobPages extends Pick<CardRequest, "paper" | "day" | "printer"> {
  readonly job: {
    readonly name: string;
    readonly sheets: readonly { readonly sheet: RunSheet; readonly address: string }[];
    readonly labels: readonly PrintedLabel[];
    readonly cuts: readonly CutRow[];
  };
  readonly parts: readonly JobPrintPart[];
  /** Where the pages' addresses begin. */
  readonly origin: string;
  readonly correction: PrinterCorrection;
}

/**
 * Everything asked for of a job, page after page, drawn with the printer's correction. Each procedure's cards are set when they
 * are asked for: whoever prints them can do something else in between.
 */
export function* jobPages({ job, parts, origin, correction, ...request }: JobPages): Generator<CardPage> {
  const { roll, width, height } = CARD_PAPERS[request.paper];
  // Lists and labels are set on sheets; a roll has its cards alone.
  const sheet = roll ? CARD_PAPERS.a4 : { width, height };
  function* cards(): Generator<CardPage> {
    for (const style of job.sheets)
      yield* cardPages({ ...request, sheet: style.sheet, address: `${origin}${style.address}` });
  }
  const pages: Readonly<Record<JobPrintPart, () => Iterable<CardPage>>> = {
    cuts: () => cutPages(job.cuts, t("cut-list-of", { job: job.name }), sheet),
    pocket: () =>
      pocketPages(
        job.sheets.map((style) => style.sheet),
        request,
      ),
    cards,
    labels: () => labelPages(job.labels, sheet),
  };
  for (const part of parts) for (const page of pages[part]()) yield correctedPage(page, correction);
}
