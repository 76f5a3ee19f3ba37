import {
  endDrawing,
  inchRule,
  isMidRun,
  mmRule,
  type RuleTick,
  type RunSheet,
  STRIP_OVERLAP,
  type StripMark,
  type StripWindow,
} from "@/core";
import { t } from "@/messages/paper";
import { mmText } from "@/ui/words/length-text";
import { box, line, text } from "./pens";
import type { CardShape } from "./shapes";

/** From the frame's left edge to the datum edge, and beyond the end of the strip. */
export const INSET = 10;
export const OVER = 6;

/** One card of a strip: the stretch it has, and which of how many it is. */
export interface Strip {
  readonly window: StripWindow;
  readonly marks: readonly StripMark[];
  readonly number: number;
  readonly of: number;
}

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The strip itself: cut outline, cable, marks with letters, both rules, and what it shares with its neighbours. */
export function stripShapes(
  sheet: RunSheet,
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
export function cableShapes(
  sheet: RunSheet,
  window: { readonly from: number; readonly to: number },
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
