import { box, text } from "./pens";
import type { CardPage } from "./shapes";

/** A label of an end: where it is made, and of which job. */
export interface PrintedLabel {
  readonly title: string;
  readonly place: string;
  readonly foot: string;
}

const SHEET = { columns: 5, rows: 12, left: 10, top: 9, width: 53, height: 15.5, gap: 2 };
const PER_PAGE = SHEET.columns * SHEET.rows;

/** Labels on sheets, five across, each with an outline to cut along. */
export function labelPages(
  labels: readonly PrintedLabel[],
  paper: { width: number; height: number },
): CardPage[] {
  const step = (paper.width - 2 * SHEET.left + SHEET.gap) / SHEET.columns;
  return Array.from({ length: Math.ceil(labels.length / PER_PAGE) }, (_, page) => ({
    width: paper.width,
    height: paper.height,
    shapes: labels.slice(page * PER_PAGE, (page + 1) * PER_PAGE).flatMap((label, i) => {
      const x = SHEET.left + (i % SHEET.columns) * step;
      const y = SHEET.top + Math.floor(i / SHEET.columns) * (SHEET.height + 0.7);
      return [
        box("cut", x, y, step - SHEET.gap, SHEET.height, { dashed: true, line: 0.15 }),
        text(x + 2, y + 5, 3.4, label.title.slice(0, 28), { bold: true }),
        text(x + 2, y + 9.6, 3, label.place.slice(0, 32)),
        text(x + 2, y + 13.4, 2.3, label.foot.slice(0, 44)),
      ];
    }),
  }));
}
