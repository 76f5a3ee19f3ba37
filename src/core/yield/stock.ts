import { z } from "zod";
import { said } from "../words/core";
import { type YieldOrRecord, zEnds, zYieldOrRecord } from "./yield";

export const zStockInput = z.strictObject({
  ends: zEnds,
  yield: zYieldOrRecord,
  risk: z
    .number(said("risk-must-be-a-share-for-example"))
    .gt(0, said("risk-must-be-above-0"))
    .lt(1, said("risk-must-be-below-1")),
  most: z
    .int(said("the-most-spares-must-be-a-whole-number"))
    .min(0, said("the-most-spares-must-be-at-least-0"))
    .max(10_000, said("the-most-spares-must-be-at-most-10-000")),
});

type StockInput = z.output<typeof zStockInput>;

interface Stock {
  /** How many parts to bring, spares and all; null where the most spares are not enough. */
  readonly parts: number | null;
  /** The chance of running out, with no spare, one, two … up to the number to bring. */
  readonly short: readonly number[];
}

const WITHIN = 1e-9;

/**
 * For each number of failures from 0 on, the log of the chance that exactly so many come before the last end is good: the
 * negative binomial distribution, or of a record the beta negative binomial, which is that averaged over
 * Beta(good + ½, bad + ½) (Jeffreys; Johnson, Kemp & Kotz, Univariate Discrete Distributions, from memory).
 */
function* failureChances(ends: number, first: YieldOrRecord): Generator<number> {
  const [a, b] = "p" in first ? [0, 0] : [first.good + 0.5, first.tried - first.good + 0.5];
  let log = 0;
  if ("p" in first) log = ends * Math.log(first.p);
  else for (let i = 0; i < ends; i++) log += Math.log((a + i) / (a + b + i));
  for (let f = 0; ; f++) {
    yield log;
    const failed = "p" in first ? 1 - first.p : (b + f) / (a + b + ends + f);
    log += Math.log(((ends + f) / (f + 1)) * failed);
  }
}

/**
 * How many parts to bring for so many ends, each try using up one part and a spare serving any end: the least number whose
 * chance of running out is within the risk. Tries are taken as independent.
 * @example partsFor({ ends: 4, yield: { p: 0.84 }, risk: 0.1, most: 6 }).parts // 6
 */
export function partsFor({ ends, yield: first, risk, most }: StockInput): Stock {
  const short: number[] = [];
  let enough = 0;
  for (const log of failureChances(ends, first)) {
    enough += Math.exp(log);
    const chance = Math.max(0, 1 - enough);
    short.push(chance);
    if (chance <= risk + WITHIN) return { parts: ends + short.length - 1, short };
    if (short.length > most) break;
  }
  return { parts: null, short };
}
