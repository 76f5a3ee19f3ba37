import { mustHoldAt } from "../problem/held";

/** A stretch of an axis that is drawn, micrometres. */
export interface DrawnStretch {
  readonly from: number;
  readonly to: number;
}

const SHORTEST_LEFT_OUT = 80_000;
const KEPT_BESIDE = 7_000;
const LEAST_SHARE = 0.4;

/**
 * What of an axis is drawn at one true scale, for stops along it: a gap of over 80 mm that is also over 40 % of the
 * whole is left out, with 7 mm kept either side of it. Between two stretches a break says so.
 * @param stops places, micrometres, in any order; 0 is always one of them.
 * @example drawnStretches([0, 10_000, 20_000]).length // 1
 */
export function drawnStretches(stops: readonly number[]): DrawnStretch[] {
  const sorted = [...new Set([0, ...stops])].sort((a, b) => a - b);
  const first = mustHoldAt(sorted, 0);
  const last = mustHoldAt(sorted, sorted.length - 1);
  const stretches: DrawnStretch[] = [];
  let from = first;
  sorted.slice(1).forEach((stop, i) => {
    const before = mustHoldAt(sorted, i);
    if (stop - before <= SHORTEST_LEFT_OUT || stop - before <= LEAST_SHARE * (last - first)) return;
    stretches.push({ from, to: before + KEPT_BESIDE });
    from = stop - KEPT_BESIDE;
  });
  return [...stretches, { from, to: last }];
}
