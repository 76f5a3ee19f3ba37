import type { JobPrintPart, PrinterCorrection, RunSheet } from "@/core";
import { t } from "@/messages/paper";
import { CARD_PAPERS, type CardRequest } from "./card-request";
import { closureCardPages, type PrintedClosure } from "./closure-card";
import { type CutRow, cutPages } from "./cut-pages";
import { labelPages, type PrintedLabel } from "./labels";
import { cardPages } from "./layout";
import { pocketPages } from "./pocket";
import { type CardPage, correctedPage } from "./shapes";
import { travellerPages } from "./traveller";
import { type PrintedTray, trayListPages } from "./tray-list-pages";

/** A job to be set, how, and for which printer. */
export interface JobPages extends Pick<CardRequest, "paper" | "day" | "printer"> {
  readonly job: {
    readonly name: string;
    readonly sheets: readonly { readonly sheet: RunSheet; readonly address: string }[];
    readonly labels: readonly PrintedLabel[];
    readonly cuts: readonly CutRow[];
    readonly trays: readonly PrintedTray[];
    readonly closures: readonly PrintedClosure[];
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
  const paper = CARD_PAPERS[request.paper];
  // Lists are set on sheets; a roll has cards and labels.
  const sheet = paper.roll ? CARD_PAPERS.a4 : paper;
  function* cards(): Generator<CardPage> {
    for (const style of job.sheets)
      yield* cardPages({ ...request, sheet: style.sheet, address: `${origin}${style.address}` });
  }
  function* travellers(): Generator<CardPage> {
    for (const style of job.sheets)
      yield* travellerPages({ ...request, sheet: style.sheet, address: `${origin}${style.address}` }, sheet);
  }
  const pages: Readonly<Record<JobPrintPart, () => Iterable<CardPage>>> = {
    cuts: () => cutPages(job.cuts, t("cut-list-of", { job: job.name }), sheet),
    pocket: () =>
      pocketPages(
        job.sheets.map((style) => style.sheet),
        request,
      ),
    cards,
    closures: () =>
      closureCardPages(
        job.closures.map((closure) => ({ ...closure, address: `${origin}${closure.address}` })),
        request.day,
        sheet,
      ),
    travellers,
    trays: () => trayListPages(job.trays, sheet),
    labels: () => labelPages(job.labels, paper),
  };
  for (const part of parts) for (const page of pages[part]()) yield correctedPage(page, correction);
}
