import { checksOf, judgementOf, type Line } from "@/core";

/** Whether a step can be done on many ends without looking at each: nothing is read, asked or counted. */
export const isPlain = ({ step }: Line): boolean =>
  checksOf(step).length === 0 &&
  !judgementOf(step) &&
  step.kind !== "dispose" &&
  step.shards === 0 &&
  !step.seconds;
