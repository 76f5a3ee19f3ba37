import { type GaugeEdge, type RunSheet, stripMarks, stripWindows, um } from "@/core";
import { t } from "@/messages/paper";
import { asText } from "@/ui/words/length-text";
import { CARD_PAPERS, type CardRequest } from "./card-request";
import { box, text } from "./pens";
import { STRIP_ROW } from "./pocket";
import { acrossBar, downBar, proofTitle } from "./proof";
import type { CardPage, CardShape } from "./shapes";
import { INSET, OVER, stripShapes } from "./strip-shapes";

/** A style of a gauge with the edge it stands on, and the first of its letters. */
interface GaugeRow {
  readonly sheet: RunSheet;
  readonly edge: GaugeEdge;
  /** Letters that come before its own: no two marks of a gauge have the same. */
  readonly lettersBefore: number;
}

const MARGIN = 14;
const TITLE = 6;
const PER_PAGE = 3;

/** Colours of the four edges, beside their names: colour alone says nothing. */
const EDGE_TINTS: Readonly<Record<GaugeEdge, string>> = {
  "front top": "#c2410c",
  "front bottom": "#1d4ed8",
  "back top": "#15803d",
  "back bottom": "#7e22ce",
};

/** The gauge's edges as strips at true scale, each with its styles, its own letters, name and colour. */
export function gaugePages(
  rows: readonly GaugeRow[],
  request: Pick<CardRequest, "paper" | "day" | "printer">,
): CardPage[] {
  const { width, height, roll } = CARD_PAPERS[request.paper];
  const across = roll ? 297 : width;
  const tall = roll ? PER_PAGE * STRIP_ROW + 22 : height;
  return Array.from({ length: Math.ceil(rows.length / PER_PAGE) }, (_, page) => ({
    width: across,
    height: tall,
    shapes: [
      ...rows
        .slice(page * PER_PAGE, (page + 1) * PER_PAGE)
        .flatMap((row, i) => edgeStrip(row, across, 6 + i * STRIP_ROW)),
      ...acrossBar(MARGIN + 8, tall - 9),
      text(MARGIN + 114, tall - 6, 3, proofTitle(request), { bold: true }),
      text(across - MARGIN, tall - 6, 2.6, request.day, { anchor: "end" }),
      ...downBar(7, 60, 100),
    ],
  }));
}

/** Longest strip of a gauge on a paper, micrometres. */
export function gaugeRoom(paper: CardRequest["paper"]): number {
  const { width, roll } = CARD_PAPERS[paper];
  return Math.round(((roll ? 297 : width) - 2 * MARGIN - INSET - OVER) * 1_000);
}

function edgeStrip({ sheet, edge, lettersBefore }: GaugeRow, width: number, top: number): CardShape[] {
  const own = stripMarks(sheet);
  const marks = own.map((mark, i) => ({ ...mark, letter: gaugeLetter(lettersBefore + i) }));
  const [window] = stripWindows(own, um(gaugeRoom(width === CARD_PAPERS.letter.width ? "letter" : "a4")));
  if (!window) return [];
  const length = (window.to - window.from) / 1_000;
  const frame = { x: MARGIN, y: top + TITLE, width: INSET + length + OVER, height: STRIP_ROW - TITLE - 3 };
  return [
    { ...box("text", MARGIN, top + 0.6, 28, 4.6, { fill: true, line: 0 }), tint: EDGE_TINTS[edge] },
    text(MARGIN + 14, top + 4, 3, t("gauge-edge", { edge }), { anchor: "middle", bold: true, light: true }),
    text(MARGIN + 32, top + 4, 3.4, sheet.procedure.name, { bold: true }),
    text(MARGIN + 118, top + 4, 3, asText(sheet).slice(0, 100)),
    ...stripShapes(sheet, { window, marks, number: 1, of: 1 }, frame),
  ];
}

const LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ";
const gaugeLetter = (i: number): string =>
  i < LETTERS.length
    ? (LETTERS[i] ?? "")
    : `${LETTERS[Math.floor(i / LETTERS.length) - 1]}${LETTERS[i % LETTERS.length]}`;
