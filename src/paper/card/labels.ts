import { box, text } from "./pens";
import type { CardPage } from "./shapes";

/** A label of an end: where it is made, and of which job. */
export interface PrintedLabel {
  readonly title: string;
  readonly place: string;
  readonly foot: string;
}

const SHEET = { columns: 5, rows: 12, left: 10, top: 9, height: 15.5, gap: 2 };
/** A page along a roll, and what a label printer leaves blank at its edges. */
const ROLL = { page: 58, edge: 2 };

/** Labels on sheets, five across, each with an outline to cut along; or on a roll, below one another across it. */
export function labelPages(
  labels: readonly PrintedLabel[],
  paper: { readonly width: number; readonly height: number; readonly roll: boolean },
): CardPage[] {
  const { columns, rows, left, top, gap } = paper.roll ? rollOf(paper.height) : SHEET;
  const width = paper.roll ? ROLL.page : paper.width;
  const step = (width - 2 * left + gap) / columns;
  const perPage = columns * rows;
  return Array.from({ length: Math.ceil(labels.length / perPage) }, (_, page) => ({
    width,
    height: paper.height,
    shapes: labels.slice(page * perPage, (page + 1) * perPage).flatMap((label, i) => {
      const x = left + (i % columns) * step;
      const y = top + Math.floor(i / columns) * (SHEET.height + 0.7);
      return [
        box("cut", x, y, step - gap, SHEET.height, { dashed: true, line: 0.15 }),
        text(x + 2, y + 5, 3.4, label.title.slice(0, 28), { bold: true }),
        text(x + 2, y + 9.6, 3, label.place.slice(0, 32)),
        text(x + 2, y + 13.4, 2.3, label.foot.slice(0, 44)),
      ];
    }),
  }));
}

/** Labels below one another on a roll of a width. */
const rollOf = (height: number) => ({
  columns: 1,
  rows: Math.floor((height - 2 * ROLL.edge) / (SHEET.height + 0.7)),
  left: ROLL.edge,
  top: ROLL.edge,
  gap: 0,
});
