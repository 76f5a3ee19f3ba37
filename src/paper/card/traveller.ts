import { isMidRun, judgementOf, type Line, onLeg, type RunSheet } from "@/core";
import { t } from "@/messages/paper";
import { figuresStand } from "@/ui/words/figures-stand";
import { limitsText } from "@/ui/words/length-text";
import { biteWords, figureWords, stepNotes } from "@/ui/words/line-words";
import { cardHeader } from "./layout";
import { line, text } from "./pens";
import type { CardPage } from "./shapes";
import { type TableCell, tablePages } from "./table";

interface Traveller {
  readonly sheet: RunSheet;
  /** The address of the sheet, for the code back to it. */
  readonly address: string;
  readonly day: string;
}

const LEFT = 14;

/** A traveller: the run sheet in the order of work, with boxes to tick, lines to write readings on, and a signature. */
export function travellerPages(
  { sheet, address, day }: Traveller,
  paper: { width: number; height: number },
): CardPage[] {
  const { procedure, lengths } = sheet;
  return tablePages({
    columns: [
      { head: "", share: 3 },
      { head: t("traveller-step"), share: 30, bold: true },
      { head: t("card-work-to"), share: 9, bold: true, end: true },
      { head: t("card-from-the"), share: 16 },
      { head: t("card-limits"), share: 9 },
      { head: t("traveller-also"), share: 32 },
      { head: t("traveller-done"), share: 36 },
    ],
    rows: sheet.lines.map((each) => rowOf(sheet, each)),
    head: (page, of) => [
      ...cardHeader({ sheet, address, day }, paper.width - LEFT),
      text(
        LEFT,
        paper.height - 5,
        2.8,
        `${figuresStand(procedure.representative ? lengths.length : 0, lengths.length)} · ${t("page-of", { page, of })}`,
      ),
    ],
    foot: {
      height: 14,
      shapes: (top) =>
        [t("traveller-signed-by"), t("traveller-remarks"), t("card-date")].flatMap((name, i) => {
          const x = LEFT + i * 92;
          return [
            text(x, top + 4, 2.8, name),
            line("text", x, top + 12, Math.min(x + 86, paper.width - LEFT), top + 12, 0.2),
          ];
        }),
    },
    ...{ top: 44, paper },
  });
}

function rowOf(sheet: RunSheet, each: Line): TableCell[] {
  const figure = figureWords(sheet, each, "mm");
  const also = [...(figure?.also ?? []), biteWords(each, "mm"), ...stepNotes(each, "mm")].filter(
    (part) => part !== null,
  );
  return [
    String(each.index + 1),
    each.step.title,
    figure?.shown.main ?? "",
    figure?.datum ?? "",
    figure?.tolerance ?? "",
    also.join("; "),
    toFill(sheet, each),
  ];
}

/** A line to write each reading on; a box for each part or answer, or one for the step. */
function toFill(sheet: RunSheet, { step, parts, checks }: Line): TableCell {
  const reads = checks.map(({ name, leg, min, max }) => ({
    kind: "line" as const,
    text: `${name}${onLeg(leg, isMidRun(sheet))}: ${limitsText(min, max, "mm")}`,
  }));
  const ticks =
    parts.length > 0
      ? parts.map(({ name, way }) => `${name} ${way}`)
      : (judgementOf(step)?.answers.map(({ sees }) => sees) ?? (reads.length > 0 ? [] : [""]));
  return [...reads, ...ticks.map((sees) => ({ kind: "box" as const, text: sees }))];
}
