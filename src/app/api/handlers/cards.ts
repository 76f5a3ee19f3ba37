import {
  gaugeEdges,
  InputError,
  mustHoldAt,
  type RunSheet,
  stripMarks,
  stripWindows,
  UNPROVEN,
  um,
} from "@/core";
import { say } from "@/messages/service";
import { cardDrawing, mustHavePages } from "@/paper/card/card-drawing";
import type { CardRequest } from "@/paper/card/card-request";
import { gaugePages, gaugeRoom } from "@/paper/card/gauge-pages";
import { cardPages } from "@/paper/card/layout";
import { type CardPage, correctedPage } from "@/paper/card/shapes";
import { recordNow } from "@/service/clock";
import { cardSheet } from "@/service/shelf/card-sheet";
import { printJob, printRecords } from "@/worker/paper-beside";
import { inTurns, pdf } from "../answer";
import type { Handlers, Under } from "../handler";

interface Printing {
  readonly printer: string;
  readonly x?: number | undefined;
  readonly y?: number | undefined;
}

/** The printer a drawing is corrected for, as its address asks. */
function correctionOf({ printer, x, y }: Printing) {
  const isCorrected = x !== undefined && y !== undefined;
  const correction = isCorrected ? { x, y } : UNPROVEN;
  return { correction, printer: isCorrected ? { name: printer || "printer", correction } : null };
}

interface Drawn {
  readonly format: "pdf" | "svg" | "dxf";
  readonly page: number;
}

/** Pages as they were asked for: all on paper, or one as a drawing. @throws InputError `not-found` for a page there is none of. */
async function answerPages(pages: readonly CardPage[], drawn: Drawn, name: string) {
  if (drawn.format !== "pdf")
    return drawing(cardDrawing(pages, drawn.format, drawn.page), drawn, name, pages.length);
  return pdf(await printRecords(inTurns([{ cards: mustHavePages(pages) }].values())), `${name}.pdf`);
}

/** A page as a drawing, with the number of pages there are. */
function drawing(body: string | Uint8Array, { format, page }: Drawn, name: string, pages: number): Response {
  return new Response(typeof body === "string" ? body : new Uint8Array(body), {
    headers: {
      "content-type": format === "svg" ? "image/svg+xml; charset=utf-8" : "image/vnd.dxf",
      "content-disposition": `${format === "svg" ? "inline" : "attachment"}; filename="${name}-${page}.${format}"`,
      "cache-control": "no-store",
      "x-card-pages": String(pages),
    },
  });
}

const originOf = (request: Request): string => {
  const { protocol, host } = new URL(request.url);
  return `${protocol}//${request.headers.get("host") ?? host}`;
};

export const CARD_HANDLERS: Handlers<Under<"/cards"> | Under<"/gauges"> | Under<"/jobs/{id}/print">> = {
  "get /cards": async ({ store, query, request }) => {
    const { correction, printer } = correctionOf(query);
    const pages = cardPages({
      sheet: cardSheet(store, query),
      paper: query.paper,
      address: sheetAddress(request, query),
      day: recordNow(store).toISOString().slice(0, 10),
      printer,
    }).map((page) => correctedPage(page, correction));
    return answerPages(pages, query, `arlent-card-${query.procedure.replaceAll(/[^a-z0-9.-]/g, "-")}`);
  },
  "get /gauges": async ({ store, query }) => {
    const { correction, printer } = correctionOf(query);
    const rows = gaugeRows(
      query.styles.map((style) => cardSheet(store, style)),
      query,
    );
    const day = recordNow(store).toISOString().slice(0, 10);
    const pages = gaugePages(rows, { paper: query.paper, day, printer });
    return answerPages(
      pages.map((page) => correctedPage(page, correction)),
      query,
      "arlent-gauge",
    );
  },
  "get /jobs/{id}/print": async ({ store, params, query, request }) => {
    const { parts, paper, format, page } = query;
    const { bytes, pages } = await printJob({
      ...{ file: store.$client.name, id: params.id, parts, paper, format, page },
      ...{ day: recordNow(store).toISOString().slice(0, 10), origin: originOf(request) },
      ...correctionOf(query),
    });
    const name = `arlent-job-${params.id.replaceAll(/[^0-9a-f-]/gi, "")}`;
    return format === "pdf" ? pdf(bytes, `${name}.pdf`) : drawing(bytes, query, name, pages);
  },
};

/** The edges styles stand on. @throws InputError `does-not-fit` where two must share one, or a strip is longer than the paper. */
function gaugeRows(
  sheets: readonly RunSheet[],
  { error, edges: most, paper }: { error: number; edges: number; paper: CardRequest["paper"] },
) {
  const styles = sheets.map((sheet, i) => ({ id: String(i), marks: stripMarks(sheet) }));
  const { edges, clashes } = gaugeEdges(styles, error * 1_000, most);
  const nameOf = (id: string) => mustHoldAt(sheets, Number(id)).procedure.name;
  const [clash] = clashes;
  if (!edges && clash)
    throw new InputError(
      "does-not-fit",
      say("marks-too-near-for-one-gauge", {
        edges: most,
        count: clashes.length,
        error,
        a: nameOf(clash.a.style),
        markA: clash.a.name,
        b: nameOf(clash.b.style),
        markB: clash.b.name,
      }),
      ["styles"],
    );
  const room = um(gaugeRoom(paper));
  const tooLong = styles.findIndex(({ marks }) => stripWindows(marks, room).length > 1);
  if (tooLong >= 0)
    throw new InputError(
      "does-not-fit",
      say("strip-too-long-for-a-gauge", { style: nameOf(String(tooLong)) }),
      ["styles", tooLong],
    );
  let lettersBefore = 0;
  return sheets.map((sheet, i) => {
    const row = { sheet, edge: edges?.[String(i)] ?? ("front top" as const), lettersBefore };
    lettersBefore += mustHoldAt(styles, i).marks.length;
    return row;
  });
}

/** The address of the sheet on this server. */
function sheetAddress(request: Request, { cable, procedure }: { cable: string; procedure: string }): string {
  return `${originOf(request)}/?${new URLSearchParams({ cable, style: procedure })}`;
}
