import { z } from "zod";
import { EPSILON } from "../length/epsilon";
import { type Length, um, zMm } from "../length/length";
import { zDocumentId } from "../names/names";
import { said } from "../words/core";
import { chiSquaredQuantile } from "./distributions";

/** Readings a study asks for, and the fewest it can be worked out from. */
export const STUDY_READINGS = 10;
export const FEWEST_READINGS = 5;

/** One piece measured again and again by one person with one instrument. */
export const zStudyInput = z.strictObject({
  person: z
    .string(said("enter-the-name-of-whoever-took-the"))
    .trim()
    .min(1, said("enter-the-name-of-whoever-took-the"))
    .max(120),
  instrument: zDocumentId,
  readings: z
    .array(zMm)
    .min(FEWEST_READINGS, said("enter-at-least-readings-of-the-same", { fewestReadings: FEWEST_READINGS }))
    .max(100, said("enter-at-most-100-readings")),
});

/** How well an instrument in somebody's hand repeats. Micrometres. */
export interface Repeatability {
  readonly n: number;
  readonly mean: number;
  /** Standard deviation of one reading. */
  readonly s: number;
  /** 95 % confidence limits of it. */
  readonly low: number;
  readonly high: number;
  /** What to use from here on: the standard deviation, rounded up. What the step hides counts as resolution besides. */
  readonly repeatability: Length;
  /** The reading furthest off the rest, where it stands off too far to be chance; else null. */
  readonly stray: number | null;
}

/**
 * Repeatability from readings of one piece: their standard deviation with n − 1 degrees of freedom, its confidence
 * limits by chi-squared (NIST/SEMATECH e-Handbook, 2.4.4.1 repeatability, 7.2.3.1 limits for a standard deviation).
 * A stray is found by Grubbs's test at 5 %, with the critical values of the e-Handbook, 1.3.5.17.1.
 * @example repeatabilityOf([um(100), um(110), um(120), um(110), um(110)]).mean // 110
 */
export function repeatabilityOf(readings: readonly Length[]): Repeatability {
  const n = readings.length;
  const mean = readings.reduce((sum, value) => sum + value, 0) / n;
  const squares = readings.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  const s = Math.sqrt(squares / (n - 1));
  return {
    n,
    mean,
    s,
    low: Math.sqrt(squares / chiSquaredQuantile(0.975, n - 1)),
    high: Math.sqrt(squares / chiSquaredQuantile(0.025, n - 1)),
    repeatability: um(Math.ceil(s - EPSILON)),
    stray: strayOf(readings, mean, s),
  };
}

/** Grubbs's two-sided critical values at 5 %, for 5 to 20 readings (from memory of published tables). */
const GRUBBS = [
  1.715, 1.887, 2.02, 2.126, 2.215, 2.29, 2.355, 2.412, 2.462, 2.507, 2.549, 2.585, 2.62, 2.651, 2.681, 2.709,
];

function strayOf(readings: readonly Length[], mean: number, s: number): number | null {
  const critical = GRUBBS[readings.length - 5];
  if (critical === undefined || s === 0) return null;
  const far = readings.reduce((a, b) => (Math.abs(b - mean) > Math.abs(a - mean) ? b : a));
  return Math.abs(far - mean) / s > critical ? readings.indexOf(far) : null;
}
