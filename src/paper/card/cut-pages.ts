import { t } from "@/messages/paper";
import { text } from "./pens";
import type { CardPage } from "./shapes";
import { TICK, tablePages } from "./table";

/** One piece to cut. */
export interface CutRow {
  readonly name: string;
  readonly cable: string;
  /** Metres, as they are printed; empty where it cannot be worked out. */
  readonly metres: string;
  readonly from: string;
  readonly to: string;
}

/** The cut list, a row a piece, with a box to tick. */
export const cutPages = (
  rows: readonly CutRow[],
  title: string,
  paper: { width: number; height: number },
): CardPage[] =>
  rows.length === 0
    ? []
    : tablePages({
        columns: [
          { head: "", share: 2 },
          { head: t("cut-piece"), share: 20, bold: true },
          { head: t("cut-cable"), share: 20 },
          { head: t("cut-metres"), share: 6, bold: true, end: true },
          { head: t("cut-from"), share: 14 },
          { head: t("cut-to"), share: 14 },
        ],
        rows: rows.map(({ name, cable, metres, from, to }) => [TICK, ...[name, cable, metres, from, to]]),
        head: (page, of) => [
          text(14, 16, 6, title, { bold: true }),
          ...(of > 1 ? [text(paper.width - 14, 16, 2.8, t("page-of", { page, of }), { anchor: "end" })] : []),
        ],
        ...{ top: 26, paper },
      });
