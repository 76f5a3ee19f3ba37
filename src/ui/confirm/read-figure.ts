import { dualUnitCheck, InputError, parseLength, type SheetFigure, um } from "@/core";
import { t } from "@/messages/confirm";

/** One figure's row as it stands in the fields: text as typed. */
export interface Row {
  readonly value: string;
  readonly plus: string;
  readonly minus: string;
  readonly most: string;
  /** The same length as printed in the other unit, where the sheet prints both. */
  readonly beside: string;
  /** Which of two prints that disagree is worked to. */
  readonly chosen: "value" | "beside" | null;
}

/** A row read: what is sent, or why it cannot be. */
export type RowRead =
  | {
      readonly kind: "ok";
      readonly value: number;
      readonly plus: number | null;
      readonly minus: number | null;
      readonly most: number | null;
      readonly printed: [string, string] | null;
      readonly note: string;
    }
  | { readonly kind: "bad"; readonly message: string }
  | { readonly kind: "disagree"; readonly message: string };

const text = (value: number | null): string => (value === null ? "" : String(value));

/** A figure as it is put ready: the value now in the document. */
export const rowOf = ({ value, plus, minus, most, printed, unit }: SheetFigure): Row => ({
  value: text(value),
  plus: text(plus),
  minus: text(minus),
  most: unit === "s" ? text(most) : "",
  beside: printed?.[1] ?? "",
  chosen: null,
});

function lengthOf(typed: string): number | string {
  const sign = /^\s*[-−]/.test(typed) ? -1 : 1;
  const read = parseLength(typed.replace(/^\s*[-−]/, ""), { unit: "mm" });
  return read.ok ? (sign * read.value.length) / 1000 : read.problem.message;
}

function numberOf(typed: string): number | string {
  const value = Number(typed.trim().replace(",", "."));
  return typed.trim() !== "" && Number.isFinite(value) && value >= 0
    ? value
    : t("is-not-a-number", { typed });
}

const bad = (message: string): RowRead => ({ kind: "bad", message });

/**
 * Reads a row as typed. A length may be typed in either unit; a second print of it is held beside the first, and
 * two that rounding alone cannot explain are shown, until one of them is chosen.
 */
export function readRow(figure: SheetFigure, row: Row): RowRead {
  const take = figure.unit === "mm" ? lengthOf : numberOf;
  const optional = (typed: string): number | null | string => (typed.trim() === "" ? null : take(typed));
  const value = take(row.value);
  if (typeof value === "string") return bad(value);
  const plus = optional(row.plus);
  if (typeof plus === "string") return bad(plus);
  const minus = optional(row.minus);
  if (typeof minus === "string") return bad(minus);
  const most = optional(row.most);
  if (typeof most === "string") return bad(most);
  const read = { value, plus, minus, most };
  if (figure.unit === "s" && read.most !== null && read.most < read.value)
    return bad(t("the-longest-time-is-not-shorter"));
  if (figure.unit !== "mm" || row.beside.trim() === "")
    return { kind: "ok", ...read, printed: null, note: "" };
  return readBeside(row, read);
}

function readBeside(
  row: Row,
  read: Omit<Extract<RowRead, { kind: "ok" }>, "kind" | "printed" | "note">,
): RowRead {
  try {
    const { agree, b, differBy } = dualUnitCheck(row.value, row.beside);
    if (agree) return { kind: "ok", ...read, printed: [row.value, row.beside], note: "" };
    const difference = t("and-are-printed-for-one-length", {
      value: row.value,
      beside: row.beside,
      value2: um(differBy) / 1000,
    });
    if (row.chosen === null)
      return { kind: "disagree", message: t("which-one-does-the-work-go", { difference }) };
    const value = row.chosen === "beside" ? b / 1000 : read.value;
    return { kind: "ok", ...read, value, printed: null, note: t("mm-is-used", { difference, value }) };
  } catch (error) {
    return {
      kind: "bad",
      message: error instanceof InputError ? error.problem.message : t("it-cannot-be-read"),
    };
  }
}
