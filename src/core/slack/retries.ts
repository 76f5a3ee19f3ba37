import { z } from "zod";
import { coded } from "../problem/codes";
import { said, t } from "../words/core";

const zShare = (noun: () => string) =>
  z
    .number(said("must-be-a-share-from-0-to", { noun }))
    .min(0, said("must-be-at-least-0", { noun }))
    .max(1, said("must-be-at-most-1", { noun }));

const zTried = z
  .int(said("counts-of-ends-must-be-whole-numbers"))
  .min(0, said("counts-of-ends-must-be-0-or"))
  .max(1e6);

/** First-pass yield: stated, or a record of so many good out of so many tried. */
export const zYield = z.union(
  [
    z.strictObject({ p: zShare(() => t("a-yield")) }),
    z.strictObject({ good: zTried, tried: zTried }).refine(({ good, tried }) => good <= tried, {
      path: ["good"],
      ...said("good-ends-must-not-exceed-ends-tried"),
      params: coded("crossed-limits"),
    }),
  ],
  said("yield-must-be-a-share-p-or"),
);

export const zRetriesInput = z.strictObject({
  yield: zYield,
  ends: z.int(said("ends-must-be-a-whole-number")).min(1, said("at-least-one-end")).max(100_000),
  risk: zShare(() => t("the-risk")),
  most: z
    .int(said("the-most-retries-must-be-a-whole"))
    .min(0)
    .max(50, said("the-most-retries-must-be-at-most")),
});

type RetriesInput = z.output<typeof zRetriesInput>;

export interface Retries {
  /** The least number of retries whose chance of falling short is within the risk; null where none is. */
  readonly retries: number | null;
  /** For each number of retries from 0 up, the chance that at least one end still fails. */
  readonly short: readonly number[];
}

const WITHIN = 1e-9;

/** The chance that at least one of so many ends fails so many attempts, each failing with chance q. */
const anyFails = (q: number, attempts: number, ends: number): number =>
  -Math.expm1(ends * Math.log1p(-(q ** attempts)));

/** Weights below e to this take no part. */
const NEGLIGIBLE = -46;

/**
 * The mean of a function of the failing chance over what a record leaves for it: Beta(bad + ½, good + ½) (Jeffreys).
 * Over the log odds t the density is q^a·(1−q)^b, smooth and gone at both ends, where the trapezoidal rule is as exact as
 * its step is fine (Trefethen & Weideman, SIAM Review 56, 2014).
 */
function overRecord(good: number, tried: number, of: (q: number) => number): number {
  const [a, b] = [tried - good + 0.5, good + 0.5];
  const logWeight = (t: number) => -a * Math.log1p(Math.exp(-t)) - b * Math.log1p(Math.exp(t));
  const peak = Math.log(a / b);
  const highest = logWeight(peak);
  const step = Math.min(Math.sqrt(1 / a + 1 / b) / 12, 0.04);
  let [sum, weights] = [0, 0];
  for (const direction of [-1, 1])
    for (let i = direction < 0 ? 1 : 0; ; i++) {
      const t = peak + direction * i * step;
      const log = logWeight(t) - highest;
      if (log < NEGLIGIBLE) break;
      const weight = Math.exp(log);
      sum += weight * of(1 / (1 + Math.exp(-t)));
      weights += weight;
    }
  return sum / weights;
}

/** How many attempts to allow for, so that all of some like ends come out; attempts are taken as independent. */
export function retriesFor({ yield: first, ends, risk, most }: RetriesInput): Retries {
  const short = Array.from({ length: most + 1 }, (_, r) =>
    "p" in first
      ? anyFails(1 - first.p, r + 1, ends)
      : overRecord(first.good, first.tried, (q) => anyFails(q, r + 1, ends)),
  );
  const least = short.findIndex((chance) => chance <= risk + WITHIN);
  return { retries: least < 0 ? null : least, short };
}
