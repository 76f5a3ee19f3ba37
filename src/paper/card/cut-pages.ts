import { t } from "@/messages/paper";
import { box, line, text } from "./pens";
import type { CardPage } from "./shapes";

/** One piece to cut. */
export interface CutRow {
  readonly name: string;
  readonly cable: string;
  /** Metres, as they are printed; empty where it cannot be worked out. */
  readonly metres: string;
  readonly from: string;
  readonly to: string;
}

const LEFT = 14;
const TOP = 30;
const STEP = 7;

/** The cut list, a row a piece, with a box to tick. */
export function cutPages(
  rows: readonly CutRow[],
  title: string,
  { width, height }: { width: number; height: number },
): CardPage[] {
  const perPage = Math.floor((height - TOP - 12) / STEP);
  const columns = [
    ...[LEFT, LEFT + 8, LEFT + 80, LEFT + 150, LEFT + 160],
    LEFT + 160 + (width - LEFT - 174) / 2,
  ] as const;
  return Array.from({ length: Math.ceil(rows.length / perPage) }, (_, page) => ({
    width,
    height,
    shapes: [
      text(LEFT, 16, 6, title, { bold: true }),
      ...[t("cut-piece"), t("cut-cable")].map((head, i) => text(columns[i + 1] ?? LEFT, 26, 2.8, head)),
      text(columns[3] ?? LEFT, 26, 2.8, t("cut-metres"), { anchor: "end" as const }),
      text(columns[4] ?? LEFT, 26, 2.8, t("cut-from")),
      text(columns[5] ?? LEFT, 26, 2.8, t("cut-to")),
      ...rows.slice(page * perPage, (page + 1) * perPage).flatMap((row, i) => {
        const y = TOP + i * STEP;
        return [
          box("text", LEFT, y - 1.6, 3.6, 3.6, { line: 0.2 }),
          text(columns[1] ?? LEFT, y + 1.6, 3.4, row.name.slice(0, 36), { bold: true }),
          text(columns[2] ?? LEFT, y + 1.6, 3, row.cable.slice(0, 34)),
          text(columns[3] ?? LEFT, y + 1.6, 3.6, row.metres, { anchor: "end" as const, bold: true }),
          text(columns[4] ?? LEFT, y + 1.6, 3, row.from.slice(0, 26)),
          text(columns[5] ?? LEFT, y + 1.6, 3, row.to.slice(0, 26)),
          line("text", LEFT, y + 4.2, width - LEFT, y + 4.2, 0.1),
        ];
      }),
    ],
  }));
}
