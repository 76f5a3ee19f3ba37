import { compareCosts, um, type WayOnRecord } from "@/core";
import type { Prices, WayPrices } from "./use-prices";

/** Cost of a way as a straight line over the ends: once, and each end, with both ends of its band. */
export interface WayLine {
  readonly way: WayOnRecord;
  readonly once: number;
  readonly each: number;
  readonly eachLeast: number;
  readonly eachMost: number;
  /** For the ends asked for. */
  readonly total: number;
  readonly hours: number;
}

/** Minutes a try takes where neither the record nor anybody says. */
export const USUAL_MINUTES = 10;

const yieldOf = ({ yield: stated }: WayPrices, { good, tried }: WayOnRecord) =>
  stated === null ? { good, tried } : { p: stated };

/** Each way that can be compared, cheapest first. */
export function wayLines(
  ways: readonly WayOnRecord[],
  { ends, wage, cablePrice, ways: prices }: Prices,
): WayLine[] {
  return ways
    .flatMap((way): WayLine[] => {
      const own = prices[way.style];
      if (!own) return [];
      const minutes = own.minutes ?? way.minutes ?? USUAL_MINUTES;
      const costs = (yieldAs: ReturnType<typeof yieldOf>, count: number) => {
        const { part, consumables, setupMinutes, kit, partLost } = own;
        const priced = { name: way.name, part, consumables, minutes, setupMinutes, kit, partLost };
        const cable = um(Math.round(own.cable * 1_000));
        const [cost] = compareCosts({
          ways: [{ ...priced, cable, yield: yieldAs }],
          ...{ ends: count, wage, cablePrice },
        }).ways;
        return { total: cost?.total ?? null, hours: cost?.hours ?? 0 };
      };
      const lineOf = (yieldAs: ReturnType<typeof yieldOf>) => {
        const [first, second] = [costs(yieldAs, 1).total, costs(yieldAs, 2).total];
        return first === null || second === null ? null : { once: 2 * first - second, each: second - first };
      };
      const usual = yieldOf(own, way);
      const line = lineOf(usual);
      if (!line) return [];
      const isStated = own.yield !== null;
      const { total, hours } = costs(usual, ends);
      return [
        {
          ...{ way, ...line, total: total ?? 0, hours },
          eachLeast: isStated ? line.each : (lineOf({ p: way.most })?.each ?? line.each),
          eachMost: isStated || way.least <= 0 ? line.each : (lineOf({ p: way.least })?.each ?? line.each),
        },
      ];
    })
    .sort((a, b) => a.total - b.total);
}

/** The cheapest way along a number of ends: from which number on, up to a last one. */
export function cheapestAlong(
  lines: readonly WayLine[],
  last: number,
): { readonly from: number; readonly line: WayLine }[] {
  const stretches: { from: number; line: WayLine }[] = [];
  for (let ends = 1; ends <= last; ends++) {
    const [first, ...rest] = lines;
    if (!first) break;
    const cost = ({ once, each }: WayLine) => once + each * ends;
    const line = rest.reduce((best, each) => (cost(each) < cost(best) - 1e-9 ? each : best), first);
    if (stretches.at(-1)?.line !== line) stretches.push({ from: ends, line });
  }
  return stretches;
}
