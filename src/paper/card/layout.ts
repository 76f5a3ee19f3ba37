import QRCode from "qrcode";
import {
  CHECK_BAR,
  DOWN_BAR_ON_ROLL,
  endDrawing,
  inchRule,
  isMidRun,
  mmRule,
  type RuleTick,
  type RunSheet,
  STRIP_OVERLAP,
  type StripMark,
  type StripWindow,
  stripMarks,
  stripWindows,
  um,
} from "@/core";
import { t } from "@/messages/paper";
import { figuresStand } from "@/ui/words/figures-stand";
import { asText, figureText, limitsText, mmText, toleranceText } from "@/ui/words/length-text";
import { CARD_PAPERS, type CardRequest } from "./card-request";
import { box, line, text } from "./pens";
import { acrossBar, downBar, ID1, proofBox, proofTitle } from "./proof";
import type { CardPage, CardShape } from "./shapes";

const MARGIN = 14;
/** From the frame's left edge to the datum edge, and beyond the end of the strip. */
const INSET = 10;
const OVER = 6;

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

interface Strip {
  readonly window: StripWindow;
  readonly marks: readonly StripMark[];
  readonly number: number;
  readonly of: number;
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
      ...header(request, width - MARGIN),
      ...stripShapes(request, strip, frame),
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
      ...stripShapes(request, strip, frame),
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

function header({ sheet, address, day }: CardRequest, right: number): CardShape[] {
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
function codeShapes(content: string, x: number, y: number, size: number): CardShape[] {
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

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The strip itself: cut outline, cable, marks with letters, both rules, and what it shares with its neighbours. */
function stripShapes(
  { sheet }: CardRequest,
  { window, marks, number, of }: Strip,
  frame: Frame,
): CardShape[] {
  const x0 = frame.x + INSET;
  const x = (at: number) => x0 + (at - window.from) / 1_000;
  const end = x(window.to);
  const low = frame.height < 58;
  const axis = frame.y + (low ? frame.height * 0.42 : 28);
  const rule = axis + (low ? 8 : 14);
  const here = marks.filter(({ at }) => at >= window.from && at <= window.to);
  return [
    box("cut", frame.x, frame.y, frame.width, frame.height, { dashed: true, line: 0.3 }),
    ...cableShapes(sheet, window, x, axis),
    line("mark", x0, frame.y + 4, x0, rule + 15, 0.4),
    text(x0, frame.y + 3.4, 3, window.from === 0 ? "0" : mmText(window.from), {
      anchor: "middle",
      bold: true,
    }),
    text(frame.x + 4, frame.y + frame.height / 2, 2.8, datumText(sheet, window), {
      turned: true,
      anchor: "middle",
    }),
    ...here.flatMap((mark, i) => markShapes(mark, x(mark.at), frame.y + (low ? 3.5 : 6), axis, i)),
    ...ruleShapes(mmRule(window), x, rule, 1, end, "mm"),
    ...ruleShapes(inchRule(window), x, rule + 9, 0.6, end, "in"),
    ...(number > 1 ? overlap(x(window.from + STRIP_OVERLAP), frame, t("overlap-before")) : []),
    ...(number < of ? overlap(x(window.to - STRIP_OVERLAP), frame, t("overlap-after")) : []),
  ];
}

function datumText(sheet: RunSheet, { from }: StripWindow): string {
  if (from > 0) return t("goes-on-from-the-card-before");
  return isMidRun(sheet) ? t("centre-mark-at-0") : t("cable-end-at-0");
}

const overlap = (x: number, { y, height }: Frame, label: string): CardShape[] => [
  line("mark", x, y + 1, x, y + height - 1, 0.3, true),
  text(x + 1, y + height - 2, 2.4, label),
];

/** The layers of the finished end as outlines, lengths and thicknesses both at true scale. */
function cableShapes(
  sheet: RunSheet,
  window: StripWindow,
  x: (at: number) => number,
  axis: number,
): CardShape[] {
  return endDrawing(sheet, sheet.lines.length)
    .layers.filter(({ kind, beside }) => kind !== "yarn" && beside === 0)
    .flatMap(({ from, diameter }) => {
      const start = Math.max(from, window.from);
      if (start >= window.to) return [];
      const half = diameter / 2_000;
      return [
        ...[-half, half].map((by) => line("outline", x(start), axis + by, x(window.to), axis + by, 0.15)),
        ...(from >= window.from ? [line("outline", x(from), axis - half, x(from), axis + half, 0.15)] : []),
      ];
    });
}

/** A mark or cut: a line at its place, its letter, and its figure; neighbours at two heights. */
function markShapes({ letter, at }: StripMark, x: number, top: number, axis: number, i: number): CardShape[] {
  const y = top + (i % 2) * 6;
  return [
    line("mark", x, y + 1, x, axis + 14, 0.25),
    box("mark", x - 2.2, y - 2.6, 4.4, 4.4, { fill: true, line: 0 }),
    text(x, y + 0.8, 3.2, letter, { anchor: "middle", bold: true, light: true }),
    text(x + 3, y + 0.8, 3.2, mmText(at), { bold: true }),
  ];
}

function ruleShapes(
  ticks: readonly RuleTick[],
  x: (at: number) => number,
  y: number,
  step: number,
  end: number,
  unit: string,
): CardShape[] {
  const first = ticks[0];
  if (!first) return [];
  return [
    line("rule", x(first.at), y, end, y, 0.2),
    ...ticks.map(({ at, rank }) =>
      line("rule", x(at), y, x(at), y + 1.2 + step * rank, rank === 3 ? 0.25 : 0.15),
    ),
    ...ticks.flatMap(({ at, label }) =>
      label === null
        ? []
        : [text(x(at), y + 7, 2.6, unit === "in" ? `${label}"` : label, { anchor: "middle" })],
    ),
    text(end + 0.8, y + 3, 2.6, unit),
  ];
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
