import type { PrinterCorrection, RunSheet } from "@/core";

/** The papers a strip card is set on, millimetres; a roll is as long as the card needs. */
export const CARD_PAPERS = {
  a4: { width: 297, height: 210, roll: false },
  letter: { width: 279.4, height: 215.9, roll: false },
  "roll-62": { width: 1_200, height: 62, roll: true },
  "roll-100": { width: 1_200, height: 100, roll: true },
} as const;
type CardPaper = keyof typeof CARD_PAPERS;

export interface CardRequest {
  readonly sheet: RunSheet;
  readonly paper: CardPaper;
  /** The address of the sheet, for the code back to it. */
  readonly address: string;
  /** The day it is set, as `2026-11-30`. */
  readonly day: string;
  /** The printer it is corrected for; null where it is not proven. */
  readonly printer: { readonly name: string; readonly correction: PrinterCorrection } | null;
}
