"use client";

import { t } from "@/messages/card";
import { usePrefs } from "../prefs/prefs-context";

/** The papers a card is set on. */
const PAPERS = [
  { id: "a4", name: t("a4-across") },
  { id: "letter", name: t("letter-across") },
  { id: "roll-62", name: t("roll-of-62") },
  { id: "roll-100", name: t("roll-of-100") },
] as const;

/** The paper and printer chosen on this device, and the address of a drawing made for them. */
export function usePrinting(path: string, wanted: Readonly<Record<string, string>>) {
  const { prefs, change } = usePrefs();
  const printer = prefs.printers.find((each) => each.name === prefs.printer) ?? null;
  const corrected: Readonly<Record<string, string>> = printer
    ? { printer: printer.name, x: String(printer.x), y: String(printer.y) }
    : {};
  return {
    address: (format: string, more: Readonly<Record<string, string>> = {}) =>
      `/api/v1${path}?${new URLSearchParams({ ...wanted, paper: prefs.cardPaper, ...corrected, format, ...more })}`,
    papers: PAPERS,
    paper: prefs.cardPaper,
    pickPaper: (id: string) => change({ cardPaper: PAPERS.find((each) => each.id === id)?.id ?? "a4" }),
  };
}
