import { CHECK_BAR } from "@/core";
import { t } from "@/messages/paper";
import type { CardRequest } from "./card-request";
import { box, line, text } from "./pens";
import type { CardShape } from "./shapes";

/** A bank card's size (ISO/IEC 7810, ID-1), millimetres. */
export const ID1 = { width: 85.6, height: 53.98 };
/** What the proof is headed by: the correction, or that there is none. */
export const proofTitle = ({ printer }: Pick<CardRequest, "printer">): string =>
  printer
    ? t("card-made-with-correction", {
        name: printer.name,
        x: (printer.correction.x * 100).toFixed(2),
        y: (printer.correction.y * 100).toFixed(2),
      })
    : t("card-not-proven-measure-the-bar");

/** The proof of scale: a bar of 100 mm, a bank card's outline, and what to do with what they say. */
export function proofBox(request: CardRequest, x: number, y: number, width: number): CardShape[] {
  return [
    box("text", x, y - 4, width, 92, { line: 0.4 }),
    box("text", x, y - 4, width, 9, { fill: true, line: 0 }),
    text(x + 4, y + 2, 3.6, proofTitle(request), { bold: true, light: true }),
    ...acrossBar(x + 6, y + 13),
    box("cut", x + 6, y + 24, ID1.width, ID1.height, { dashed: true }),
    text(x + 6 + ID1.width / 2, y + 44, 3.2, t("no-rule-to-hand"), { anchor: "middle", bold: true }),
    text(x + 6 + ID1.width / 2, y + 50, 2.8, t("bank-card-covers-this-outline"), { anchor: "middle" }),
    text(x + 6 + ID1.width / 2, y + 56, 2.8, "85.60 × 53.98 mm", { anchor: "middle" }),
    text(x + 95, y + 30, 2.8, t("bar-in-99-8-to-100-2"), { bold: true }),
    text(x + 95, y + 34.4, 2.8, t("use-this-card")),
    text(x + 95, y + 44, 2.8, t("else-enter-it"), { bold: true }),
    text(x + 95, y + 48.4, 2.8, t("and-print-again")),
    text(x + 95, y + 58, 2.8, t("print-at-100-percent"), { bold: true }),
    text(x + 95, y + 62.4, 2.8, t("fit-to-page-off")),
  ];
}

/** The bar across the page: ten fields of 10 mm, its ends drawn. */
export function acrossBar(x: number, y: number): CardShape[] {
  return [
    text(x + CHECK_BAR / 2, y - 2, 3, t("bar-mm", { length: CHECK_BAR }), { anchor: "middle", bold: true }),
    ...[0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((i) =>
      box("rule", x + i * 10, y, 10, 3, { fill: i % 2 === 0, line: 0.2 }),
    ),
    line("rule", x, y - 2, x, y + 5, 0.2),
    line("rule", x + CHECK_BAR, y - 2, x + CHECK_BAR, y + 5, 0.2),
  ];
}

/** The bar down the page. */
export const downBar = (x: number, y: number, length: number): CardShape[] => [
  line("rule", x, y, x, y + length, 0.4),
  line("rule", x - 2, y, x + 2, y, 0.2),
  line("rule", x - 2, y + length, x + 2, y + length, 0.2),
  text(x + 3, y + length / 2, 2.6, t("bar-mm", { length }), { turned: true, anchor: "middle" }),
];
