/** A printer's correction: the factors that a drawing is multiplied by, across and down, so that it prints at true size. */
export interface PrinterCorrection {
  readonly x: number;
  readonly y: number;
}

/** A card printed without a correction. */
export const UNPROVEN: PrinterCorrection = { x: 1, y: 1 };

/** The length of the bars that are measured, millimetres; on a roll the bar across it is shorter. */
export const CHECK_BAR = 100;
export const DOWN_BAR_ON_ROLL = 50;
/** A bar this far from its length was scaled by the browser or printer on purpose, millimetres. */
const FITTED = 2.5;
/** As near as a bar is asked to be, millimetres in 100. */
const NEAR = 0.2;
/** Rounding of a division, so that a bar exactly at a limit is within it. */
const ROUNDING = 1e-9;

/** The result of measuring the bars: true, to be corrected, or scaled by “fit to page”. */
type BarReading =
  | { readonly kind: "true" | "correct"; readonly correction: PrinterCorrection }
  | { readonly kind: "fitted" };

/**
 * What the measured bars of a card say about the printer, and the correction the next card is drawn with.
 * @param across the bar of 100 mm across the page, as measured, millimetres; `down` the one down the page, `downBar` long.
 * @param before the correction the measured card was drawn with.
 * @example readBars(99, 100.2, UNPROVEN).kind // "correct"
 */
export function readBars(
  across: number,
  down: number,
  before: PrinterCorrection,
  downBar = CHECK_BAR,
): BarReading {
  const shares = { x: across / CHECK_BAR, y: down / downBar };
  const off = [shares.x, shares.y].map((share) => Math.abs(share - 1) * CHECK_BAR);
  if (off.some((far) => !(far <= FITTED))) return { kind: "fitted" };
  if (off.every((far) => far <= NEAR + ROUNDING)) return { kind: "true", correction: before };
  return { kind: "correct", correction: { x: before.x / shares.x, y: before.y / shares.y } };
}
