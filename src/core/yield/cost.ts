import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { eachOnce } from "../names/once";
import { said } from "../words/core";
import { type YieldOrRecord, zEnds, zYieldOrRecord } from "./yield";

const zAmount = z
  .number(said("this-must-be-a-number-for-example-2-5"))
  .min(0, said("this-must-be-0-or-more"))
  .max(1e12, said("this-must-be-at-most-a-million-million"));

const zWay = z.strictObject({
  name: zName,
  /** Price of a part, and of what each try uses up beside it. */
  part: zAmount,
  consumables: zAmount,
  /** For each try. */
  minutes: zAmount,
  /** Once for all the ends: minutes, and the price of the kit. */
  setupMinutes: zAmount,
  kit: zAmount,
  /** Cable each try takes. */
  cable: zMmNotNegative,
  /** Share of the part's price that a failed try loses. */
  partLost: zAmount.max(1, said("the-share-of-a-part-lost-must-be-at-most-1")),
  yield: zYieldOrRecord,
});

export const zCostInput = z.strictObject({
  ways: z
    .array(zWay)
    .min(1, said("give-at-least-one-way"))
    .max(100, said("give-at-most-100-ways"))
    .superRefine(eachOnce("name")),
  ends: zEnds,
  /** An hour's. */
  wage: zAmount,
  /** A metre's. */
  cablePrice: zAmount,
});

type CostInput = z.output<typeof zCostInput>;
type Way = CostInput["ways"][number];

/** What a way costs, in the currency of its prices; all null where its record has no good end to go by. */
interface WayCost {
  readonly name: string;
  /** Tries that so many ends are expected to take. */
  readonly attempts: number | null;
  readonly total: number | null;
  readonly perEnd: number | null;
  readonly hours: number | null;
}

interface Cost {
  readonly ways: readonly WayCost[];
  /** The way of the least total; null where none can be compared. */
  readonly cheapest: string | null;
  /** Where two ways cost the same: the number of ends, not rounded. */
  readonly crossings: readonly { readonly ways: readonly [string, string]; readonly ends: number }[];
}

/** Money nearer than this is equal. */
const CENT_HAIR = 1e-9;

/**
 * Tries expected for one good end: 1/p; of a record the mean of 1/p over Beta(good + ½, bad + ½) (Jeffreys), which is
 * tried / (good − ½). Null where that is infinite.
 */
function triesEach(first: YieldOrRecord): number | null {
  if ("p" in first) return 1 / first.p;
  return first.good === 0 ? null : first.tried / (first.good - 0.5);
}

/** A way's total as a straight line over the number of ends. */
interface Line {
  readonly name: string;
  readonly once: number;
  readonly each: number;
}

/**
 * What ending so many fibres costs by each way, which is cheapest, and from how many ends on another would be. Straight-line
 * cost with expected tries; any text on engineering economy, from memory.
 * @example compareCosts({ ways: [{ name: "stub", part: 5, consumables: 1, minutes: 6, setupMinutes: 0, kit: 0, cable: um(0), partLost: 1, yield: { p: 0.5 } }], ends: 10, wage: 60, cablePrice: 0 }).cheapest
 * // "stub"
 */
export function compareCosts({ ways, ends, wage, cablePrice }: CostInput): Cost {
  const lineOf = (way: Way): Line | null => {
    const tries = triesEach(way.yield);
    if (tries === null) return null;
    const perTry = way.consumables + (way.minutes * wage) / 60 + (way.cable / 1_000_000) * cablePrice;
    const each = tries * perTry + way.part * (1 + (tries - 1) * way.partLost);
    return { name: way.name, once: way.kit + (way.setupMinutes * wage) / 60, each };
  };
  const lines = ways.flatMap((way) => lineOf(way) ?? []);
  const totalOf = ({ once, each }: Line) => once + ends * each;
  const least = Math.min(...lines.map(totalOf));
  return {
    ways: ways.map((way): WayCost => {
      const tries = triesEach(way.yield);
      const line = lineOf(way);
      if (tries === null || !line)
        return { name: way.name, attempts: null, total: null, perEnd: null, hours: null };
      const [attempts, total] = [ends * tries, totalOf(line)];
      const hours = (way.setupMinutes + attempts * way.minutes) / 60;
      return { name: way.name, attempts, total, perEnd: total / ends, hours };
    }),
    cheapest: lines.find((line) => totalOf(line) - least < CENT_HAIR)?.name ?? null,
    crossings: lines.flatMap((line, at) => lines.slice(at + 1).flatMap((other) => crossing(line, other))),
  };
}

function crossing(a: Line, b: Line): Cost["crossings"][number][] {
  const [apart, closing] = [b.once - a.once, a.each - b.each];
  if (Math.abs(closing) < CENT_HAIR || Math.abs(apart) < CENT_HAIR || apart / closing <= 0) return [];
  return [{ ways: [a.name, b.name], ends: apart / closing }];
}
