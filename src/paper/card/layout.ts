import QRCode from "qrcode";
import { CHECK_BAR, DOWN_BAR_ON_ROLL, type RunSheet, stripMarks, stripWindows, um } from "@/core";
import { t } from "@/messages/paper";
import { figuresStand } from "@/ui/words/figures-stand";
import { asText, figureText, limitsText, mmText, toleranceText } from "@/ui/words/length-text";
import { CARD_PAPERS, type CardRequest } from "./card-request";
import { box, line, text } from "./pens";
import { acrossBar, downBar, ID1, proofBox, proofTitle } from "./proof";
import type { CardPage, CardShape } from "./shapes";
import { INSET, OVER, type Strip, stripShapes } from "./strip-shapes";

const MARGIN = 14;

/** The cards of one run sheet, a page each: the strip at true scale, its marks, rules, figures, and the proof of scale. */
export function cardPages(request: CardRequest): CardPage[] {
  const paper = CARD_PAPERS[request.paper];
  const marks = stripMarks(request.sheet);
  const proof = paper.roll ? ID1.width + CHECK_BAR + 32 : 0;
  const room = um(Math.round((paper.width - 2 * MARGIN - INSET - OVER - proof) * 1_000));
  const windows = stripWindows(marks, room);
  return windows.map((window, i) => {
    const strip = { window, marks, number: i + 1, of: windows.length };
    return paper.roll ? rollPage(request, paper.height, strip) : sheetPage(request, paper, strip);
  });
}

function sheetPage(
  request: CardRequest,
  { width, height }: { width: number; height: number },
  strip: Strip,
): CardPage {
  const frame = { x: MARGIN, y: 42, width: width - 2 * MARGIN, height: 62 };
  const below = frame.y + frame.height + 8;
  const proofX = width - MARGIN - 122;
  return {
    width,
    height,
    shapes: [
      ...cardHeader(request, width - MARGIN),
      ...stripShapes(request.sheet, strip, frame),
      ...figures(request, strip, MARGIN, below),
      ...proofBox(request, proofX, below, 122),
      ...downBar(7, 100, CHECK_BAR),
      text(width - MARGIN, height - 7, 2.8, t("card-of", { number: strip.number, of: strip.of }), {
        anchor: "end",
      }),
      text(MARGIN, height - 7, 2.8, standing(request.sheet)),
    ],
  };
}

/** A roll: the strip, then its proof beside it; the figures stand at their marks. */
function rollPage(request: CardRequest, height: number, strip: Strip): CardPage {
  const length = (strip.window.to - strip.window.from) / 1_000;
  const frame = { x: 4, y: 3, width: INSET + length + OVER, height: height - 6 };
  const proofX = frame.x + frame.width + 6;
  const barX = proofX + ID1.width + 8;
  return {
    width: Math.round(barX + CHECK_BAR + 18),
    height,
    shapes: [
      ...stripShapes(request.sheet, strip, frame),
      text(
        frame.x + INSET,
        height - 4.5,
        2.4,
        `${asText(request.sheet)} · ${standing(request.sheet)} · ${request.day}`,
      ),
      box("cut", proofX, 4, ID1.width, ID1.height, { dashed: true }),
      text(proofX + 3, 11, 2.8, proofTitle(request), { bold: true }),
      text(proofX + 3, 16, 2.6, t("bank-card-covers-this-outline")),
      ...acrossBar(barX, 14),
      text(barX, 26, 2.8, t("print-at-100-percent")),
      text(barX, 31, 2.8, t("fit-to-page-off")),
      ...downBar(barX + CHECK_BAR + 8, 5, DOWN_BAR_ON_ROLL),
    ],
  };
}

const standing = ({ procedure, lengths }: RunSheet): string =>
  figuresStand(procedure.representative ? lengths.length : 0, lengths.length);

/** The head of a card: what it is of, blanks for who makes which end, revisions, day, and the code back to the sheet. */
export function cardHeader(
  { sheet, address, day }: Pick<CardRequest, "sheet" | "address" | "day">,
  right: number,
): CardShape[] {
  const blanks = [t("card-job"), t("card-made-by"), t("card-date")];
  return [
    text(MARGIN, 20, 6.4, sheet.procedure.name, { bold: true }),
    text(MARGIN, 27, 4, asText(sheet)),
    ...blanks.flatMap((name, i) => {
      const x = MARGIN + i * 68;
      return [text(x, 36, 2.8, name), line("text", x + 18, 36.6, x + 62, 36.6, 0.2)];
    }),
    text(right - 28, 17, 3.6, t("card-revision", { revision: sheet.procedure.revision }), {
      anchor: "end",
      bold: true,
    }),
    text(right - 28, 22, 2.8, t("card-cable-revision", { revision: sheet.cable.revision }), {
      anchor: "end",
    }),
    text(right - 28, 27, 2.8, t("card-printed", { day }), { anchor: "end" }),
    text(right - 28, 32, 2.8, t("card-back-to-this-sheet"), { anchor: "end" }),
    ...codeShapes(address, right - 25, 12, 25),
  ];
}

/** A QR code as squares, runs of a row in one. */
export function codeShapes(content: string, x: number, y: number, size: number): CardShape[] {
  const { modules } = QRCode.create(content, { errorCorrectionLevel: "M" });
  const cell = size / modules.size;
  const shapes: CardShape[] = [];
  for (let row = 0; row < modules.size; row++)
    for (let from = 0; from < modules.size; from++) {
      if (!modules.get(row, from)) continue;
      let to = from;
      while (to < modules.size && modules.get(row, to)) to += 1;
      shapes.push(
        box("text", x + from * cell, y + row * cell, (to - from) * cell, cell, { fill: true, line: 0 }),
      );
      from = to;
    }
  return shapes;
}

/** The figures in the order of the work: letter, what is done, millimetres, inches, datum, limits. */
function figures({ sheet }: CardRequest, { marks }: Strip, x: number, y: number): CardShape[] {
  const inOrder = [...marks].sort((a, b) => a.order - b.order);
  const step = Math.min(7, 70 / Math.max(1, inOrder.length));
  const nameOf = (id: string) => sheet.features.find((feature) => feature.id === id)?.name ?? id;
  return [
    text(x + 7, y, 2.8, t("card-work-to")),
    text(x + 66, y, 2.8, t("card-mm"), { anchor: "end" }),
    text(x + 70, y, 2.8, t("card-inch")),
    text(x + 88, y, 2.8, t("card-from-the")),
    text(x + 118, y, 2.8, t("card-limits")),
    line("text", x, y + 1.4, x + 138, y + 1.4, 0.3),
    ...inOrder.flatMap(({ letter, name, figure }, i) => {
      const at = y + 6 + i * step;
      const { datum, distance, plus, minus } = figure.own;
      const [shown, from] = figure.workFromOwn
        ? [distance, nameOf(datum)]
        : [figure.fromEnd, nameOf(sheet.features[0]?.id ?? "")];
      const size = Math.abs(shown);
      const fits = { plus, minus };
      return [
        text(x, at, 3.4, letter, { bold: true }),
        text(x + 7, at, 3.2, name.slice(0, 34)),
        text(x + 66, at, 3.8, mmText(size), { anchor: "end", bold: true }),
        ...(figure.representative ? [line("text", x + 54, at + 1, x + 66, at + 1, 0.3, true)] : []),
        text(x + 70, at, 2.8, figureText(size, "in", fits)),
        text(x + 88, at, 2.8, from.slice(0, 20)),
        text(x + 118, at, 2.8, toleranceText(plus, minus, "mm")),
        line("text", x, at + step - 4.6, x + 138, at + step - 4.6, 0.1),
      ];
    }),
    ...afterIt(sheet, x, y + 10 + inOrder.length * step),
  ];
}

/** What the prepared end must read, on a few lines. */
function afterIt({ lengths }: RunSheet, x: number, y: number): CardShape[] {
  const read = lengths.filter(({ stage, stated }) => stage === "prepared" && stated !== null).slice(0, 4);
  if (read.length === 0) return [];
  return [
    text(x, y, 3, t("card-must-read"), { bold: true }),
    ...read.map(({ name, min, max }, i) =>
      text(x, y + 4.4 * (i + 1), 2.8, `${name}: ${limitsText(min, max, "mm")}`),
    ),
  ];
}
