import { required } from "../problem/problem";
import { type Length, um } from "./length";
import { parseLength } from "./parse";

/** Two printed values for one length, held beside each other. */
interface DualUnit {
  readonly a: Length;
  readonly b: Length;
  /** True when rounding alone can explain the difference. */
  readonly agree: boolean;
  /** How far apart they are, never negative. */
  readonly differBy: Length;
  /** The most that rounding of both prints can explain, micrometres. */
  readonly rounding: number;
}

/**
 * Compares two printed values for the same length ("305 mm", "12 in").
 * They agree when they differ by no more than half of the last place of each. Whole and fractional
 * inches count as rounded to a sixteenth, or to their own denominator where that is finer.
 * @throws InputError when either cannot be read.
 * @example dualUnitCheck("50.8 mm", "2 in").agree // true
 */
export function dualUnitCheck(first: string, second: string): DualUnit {
  const a = required(parseLength(first, { unit: "mm" }));
  const b = required(parseLength(second, { unit: "in" }));
  const differBy = um(Math.abs(a.length - b.length));
  const rounding = a.rounding + b.rounding;
  return { a: a.length, b: b.length, differBy, rounding, agree: differBy <= rounding };
}
