import { type Length, um } from "../length/length";
import { chiSquaredQuantile, studentBelow, studentQuantile } from "./distributions";

/** The fewest ends before anything is said of how somebody aims. */
export const FEWEST_ENDS = 8;
/** A bias smaller than this, micrometres, is not worth setting anything for. */
const WORTH = 50;
/** Settings are made to a tenth. */
const TENTH = 100;

/** What somebody's record of one length with one tool says. Micrometres but for the indices. */
export interface Aim {
  readonly n: number;
  /** Mean off the nominal: positive is long. */
  readonly bias: number;
  /** 95 % limits of it. */
  readonly biasLow: number;
  readonly biasHigh: number;
  readonly spread: number;
  /** Capability within the limits, with 95 % limits; null where the length is open on a side. */
  readonly cp: Index | null;
  readonly cpk: Index | null;
  /** What to set instead of the nominal; null where the evidence does not hold. */
  readonly set: Length | null;
  /** How likely it is that the bias is really on that side, 0 to 1. */
  readonly sure: number;
}

/** How one person makes one length with one tool. */
export interface LengthAim extends Aim {
  readonly style: string;
  readonly styleName: string;
  readonly dimension: string;
  readonly name: string;
  readonly tool: string;
  /** The feature it is laid off to. */
  readonly makes: string;
  readonly nominal: Length;
  readonly min: Length | null;
  readonly max: Length | null;
  /** What each end first measured, oldest first. */
  readonly values: readonly number[];
}

export interface Index {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/**
 * Bias, spread, capability and the figure to aim at, from what ends first measured. Said only from eight ends on, and
 * a figure to aim at only where the bias is sure at 95 %, worth a setting, and the new setting lies within the limits.
 * Bias limits by Student's t (NIST/SEMATECH e-Handbook 7.2.2.1); Cp limits by chi-squared and Cpk limits by the
 * normal approximation (e-Handbook 7.1.6).
 * @param values the first reading of each end, before anything was redone.
 * @returns null with fewer than eight.
 * @example aimOf([48_600, 48_700, 48_600, 48_650, 48_620, 48_640, 48_660, 48_630], { nominal: um(48_500), min: um(48_000), max: um(49_000) })?.bias
 * // 137.5
 */
export function aimOf(
  values: readonly number[],
  { nominal, min, max }: { nominal: Length; min: Length | null; max: Length | null },
): Aim | null {
  const n = values.length;
  if (n < FEWEST_ENDS) return null;
  const bias = values.reduce((sum, value) => sum + value, 0) / n - nominal;
  const spread = Math.sqrt(values.reduce((sum, value) => sum + (value - nominal - bias) ** 2, 0) / (n - 1));
  const half = (studentQuantile(0.975, n - 1) * spread) / Math.sqrt(n);
  const set = um(Math.round((nominal - bias) / TENTH) * TENTH);
  const holds =
    Math.abs(bias) > half &&
    Math.abs(bias) >= WORTH &&
    set !== nominal &&
    (min === null || set >= min) &&
    (max === null || set <= max);
  return {
    n,
    bias,
    biasLow: bias - half,
    biasHigh: bias + half,
    spread,
    cp: cpOf(n, spread, min, max),
    cpk: cpkOf(n, nominal + bias, spread, min, max),
    set: holds ? set : null,
    sure: sureOf(n, bias, spread),
  };
}

function cpOf(n: number, spread: number, min: Length | null, max: Length | null): Index | null {
  if (min === null || max === null || spread === 0) return null;
  const value = (max - min) / (6 * spread);
  return {
    value,
    low: value * Math.sqrt(chiSquaredQuantile(0.025, n - 1) / (n - 1)),
    high: value * Math.sqrt(chiSquaredQuantile(0.975, n - 1) / (n - 1)),
  };
}

function cpkOf(
  n: number,
  mean: number,
  spread: number,
  min: Length | null,
  max: Length | null,
): Index | null {
  if (spread === 0 || (min === null && max === null)) return null;
  const value = Math.min(
    max === null ? Number.POSITIVE_INFINITY : (max - mean) / (3 * spread),
    min === null ? Number.POSITIVE_INFINITY : (mean - min) / (3 * spread),
  );
  const half = 1.96 * Math.sqrt(1 / (9 * n) + value ** 2 / (2 * (n - 1)));
  return { value, low: value - half, high: value + half };
}

/** The one-sided probability, by Student's t, that the bias lies on the side it was found on. */
function sureOf(n: number, bias: number, spread: number): number {
  if (spread === 0) return bias === 0 ? 0.5 : 1;
  return studentBelow(Math.abs(bias) / (spread / Math.sqrt(n)), n - 1);
}
