import { endDrawing } from "../drawing/end";
import { type Length, um } from "../length/length";
import type { Figure, RunSheet } from "../runsheet/document";

/** A mark or cut on a strip card: its letter, and how far from the datum edge it lies. Micrometres. */
export interface StripMark {
  readonly letter: string;
  readonly feature: string;
  readonly name: string;
  /** From the left edge of the strip, where the cable end (or the centre mark) is laid. */
  readonly at: Length;
  /** Its place in the order of work, from 1. */
  readonly order: number;
  /** The figure it is worked to, with its datum and limits. */
  readonly figure: Figure;
}

const LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ";

/** `A` to `Z`, then `AA`, `AB`: no sheet comes near the end of it. */
const letterAt = (i: number): string =>
  i < LETTERS.length
    ? (LETTERS[i] ?? "")
    : `${letterAt(Math.floor(i / LETTERS.length) - 1)}${LETTERS[i % LETTERS.length]}`;

/**
 * The marks and cuts of a run sheet as a strip card has them, nearest the datum edge first, each with a letter.
 * @example stripMarks(sheet).map(({ letter }) => letter).join("") // "ABCDE"
 */
export function stripMarks(sheet: RunSheet): StripMark[] {
  const figures = new Map(
    sheet.lines.flatMap(({ figure }) => (figure ? [[figure.feature, figure] as const] : [])),
  );
  const order = [...figures.keys()];
  return endDrawing(sheet, sheet.lines.length).written.flatMap(({ feature, fromEnd }, i): StripMark[] => {
    const figure = figures.get(feature);
    const name = sheet.features.find(({ id }) => id === feature)?.name ?? feature;
    return figure
      ? [{ letter: letterAt(i), feature, name, at: fromEnd, order: order.indexOf(feature) + 1, figure }]
      : [];
  });
}

/** A part of a long strip that goes on one card. Micrometres from the datum edge. */
export interface StripWindow {
  readonly from: Length;
  readonly to: Length;
}

/** Cable drawn beyond the last mark. */
const TAIL = um(12_000);
/** Length that two cards of one strip share, so that one is laid exactly onto the other. */
export const STRIP_OVERLAP = um(20_000);

/**
 * The stretches a strip is cut into, so that each fits its card: neighbours overlap by `STRIP_OVERLAP`, and all but the last
 * are as long as the room.
 * @param room what one card has for it, more than the overlap.
 * @example stripWindows([{ at: um(228_000) }], um(150_000)).length // 2
 */
export function stripWindows(marks: readonly Pick<StripMark, "at">[], room: Length): StripWindow[] {
  const end = um(Math.max(0, ...marks.map(({ at }) => at)) + TAIL);
  const windows: StripWindow[] = [];
  for (let from = 0; from === 0 || from + STRIP_OVERLAP < end; from += room - STRIP_OVERLAP)
    windows.push({ from: um(from), to: um(Math.min(end, from + room)) });
  return windows;
}

/** A line of a rule: where it lies and how long it is drawn, 1 the shortest. */
export interface RuleTick {
  readonly at: number;
  readonly rank: 1 | 2 | 3;
  /** The number at it; null for a line without one. */
  readonly label: string | null;
}

const MM = 1_000;
const SIXTEENTH = 25_400 / 16;

/**
 * The lines of a rule in millimetres over a window: every millimetre, longer at 5, numbered at 10.
 * @example mmRule({ from: um(0), to: um(20_000) }).filter(({ label }) => label !== null).map(({ label }) => label) // ["0", "10", "20"]
 */
export const mmRule = ({ from, to }: StripWindow): RuleTick[] =>
  multiples(from, to, MM).map((n) => ({
    at: n * MM,
    rank: n % 10 === 0 ? 3 : n % 5 === 0 ? 2 : 1,
    label: n % 10 === 0 ? String(n) : null,
  }));

/**
 * The same in sixteenths of an inch: longer at a half, numbered at a whole inch.
 * @example inchRule({ from: um(0), to: um(26_000) }).filter(({ label }) => label !== null).map(({ label }) => label) // ["0", "1"]
 */
export const inchRule = ({ from, to }: StripWindow): RuleTick[] =>
  multiples(from, to, SIXTEENTH).map((n) => ({
    at: n * SIXTEENTH,
    rank: n % 16 === 0 ? 3 : n % 8 === 0 ? 2 : 1,
    label: n % 16 === 0 ? String(n / 16) : null,
  }));

function multiples(from: number, to: number, of: number): number[] {
  const [first, last] = [Math.ceil(from / of), Math.floor(to / of)];
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i);
}
