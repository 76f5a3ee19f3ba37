import { type Length, um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import type { Procedure } from "../procedure/procedure";
import type { Entry } from "./entry";

type Taken = Pick<Procedure["appliesTo"], "jacket" | "jackets">;

/** Sheaths that some port takes: from the thinnest to the thickest, and each range by itself where there is a gap between. */
export function takenBy(ports: Entry["ports"]): Taken {
  const ranges: { min: Length; max: Length }[] = [];
  for (const { bushedMin: min, max } of [...ports].sort((a, b) => a.bushedMin - b.bushedMin)) {
    const last = ranges.at(-1);
    if (last && min <= last.max) last.max = um(Math.max(last.max, max));
    else ranges.push({ min, max });
  }
  const [first, last] = [mustHoldAt(ranges, 0), mustHoldAt(ranges, ranges.length - 1)];
  return { jacket: { min: first.min, max: last.max }, ...(ranges.length > 1 && { jackets: ranges }) };
}
