import { InputError, UNPROVEN } from "@/core";
import { say } from "@/messages/service";
import { cardDxf } from "@/paper/card/card-dxf";
import { cardSvg } from "@/paper/card/card-svg";
import { cardPages } from "@/paper/card/layout";
import { correctedPage } from "@/paper/card/shapes";
import { printRecords } from "@/paper/paper-thread";
import { recordNow } from "@/service/clock";
import { cardSheet } from "@/service/shelf/card-sheet";
import { inTurns, pdf } from "../answer";
import type { Handlers, Under } from "../handler";

export const CARD_HANDLERS: Handlers<Under<"/cards">> = {
  "get /cards": async ({ store, query, request }) => {
    const sheet = cardSheet(store, query);
    const isCorrected = query.x !== undefined && query.y !== undefined;
    const correction = isCorrected ? { x: query.x ?? 1, y: query.y ?? 1 } : UNPROVEN;
    const pages = cardPages({
      sheet,
      paper: query.paper,
      address: sheetAddress(request, query),
      day: recordNow(store).toISOString().slice(0, 10),
      printer: isCorrected ? { name: query.printer || "printer", correction } : null,
    }).map((page) => correctedPage(page, correction));
    const name = `arlent-card-${query.procedure.replaceAll(/[^a-z0-9.-]/g, "-")}`;
    if (query.format === "pdf")
      return pdf(await printRecords(inTurns([{ cards: pages }].values())), `${name}.pdf`);
    const page = pages[query.page - 1];
    if (!page)
      throw new InputError(
        "not-found",
        say("this-card-has-so-many-pages", { pages: pages.length, page: query.page }),
        ["page"],
      );
    const isSvg = query.format === "svg";
    return new Response(isSvg ? cardSvg(page) : cardDxf(page), {
      headers: {
        "content-type": isSvg ? "image/svg+xml; charset=utf-8" : "image/vnd.dxf",
        "content-disposition": `${isSvg ? "inline" : "attachment"}; filename="${name}-${query.page}.${query.format}"`,
        "cache-control": "no-store",
        "x-card-pages": String(pages.length),
      },
    });
  },
};

/** The address of the sheet on this server. */
function sheetAddress(request: Request, { cable, procedure }: { cable: string; procedure: string }): string {
  const { protocol, host } = new URL(request.url);
  const origin = `${protocol}//${request.headers.get("host") ?? host}`;
  return `${origin}/?${new URLSearchParams({ cable, style: procedure })}`;
}
