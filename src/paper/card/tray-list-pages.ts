import type { Splice, TrayList } from "@/core";
import { decimal } from "@/messages/numbers";
import { t } from "@/messages/paper";
import { trayLineTexts } from "@/ui/words/tray-line";
import { text } from "./pens";
import type { CardPage } from "./shapes";
import { TICK, tablePages } from "./table";

/** The list of one tray of a closure. */
export interface PrintedTray {
  readonly closure: string;
  readonly list: TrayList<Splice>;
  /** The most an estimate may be. */
  readonly limitDb: number;
  /** The name of an end of a splice. */
  readonly endText: (end: Splice["a"]) => string;
}

/** Tray lists, a tray a page: each splice in the order of its slots, with room for its estimate. */
export const trayListPages = (
  trays: readonly PrintedTray[],
  paper: { width: number; height: number },
): CardPage[] =>
  trays.flatMap(({ closure, list: { tray, lines }, limitDb, endText }) =>
    tablePages({
      columns: [
        { head: "", share: 2 },
        { head: t("tray-laid"), share: 7 },
        { head: t("tray-slot"), share: 5, bold: true },
        { head: t("tray-splice"), share: 5 },
        { head: t("tray-from"), share: 28 },
        { head: t("tray-to"), share: 28 },
        { head: t("tray-turns"), share: 9 },
        { head: t("tray-trim"), share: 10 },
        { head: t("tray-tries"), share: 5 },
        { head: t("tray-estimate"), share: 11 },
      ],
      rows: lines.map((line) => {
        const { steps, turns, trim, tries } = trayLineTexts(line);
        const { slot, number, splice } = line;
        return [
          TICK,
          ...[steps, slot, String(number), endText(splice.a), endText(splice.b), turns, trim, tries],
          [{ kind: "line", text: "" }],
        ];
      }),
      head: (page, of) => [
        text(14, 16, 6, t("tray-list-of", { closure, tray }), { bold: true }),
        text(14, 22, 3.2, t("tray-limit-and-order", { limit: decimal(String(limitDb)) })),
        ...(of > 1 ? [text(paper.width - 14, 16, 2.8, t("page-of", { page, of }), { anchor: "end" })] : []),
      ],
      ...{ top: 30, paper },
    }),
  );
