import { checksOf, judgementOf } from "../procedure/step";
import type { Line } from "../runsheet/document";

/**
 * Whether a step can be done on many ends without looking at each: nothing is read, asked or counted.
 * @example isPlain(sheet.lines[0]) // true
 */
export const isPlain = ({ step }: Line): boolean =>
  checksOf(step).length === 0 &&
  !judgementOf(step) &&
  step.kind !== "dispose" &&
  step.shards === 0 &&
  !step.seconds;
