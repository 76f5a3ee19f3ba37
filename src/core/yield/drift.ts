import { z } from "zod";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zValue = z.number(said("each-value-must-be-a-number"));

export const zDriftInput = z
  .strictObject({
    values: z
      .array(zValue)
      .min(1, said("give-at-least-one-value"))
      .max(100_000, said("give-at-most-100-000-values")),
    baseline: z.union(
      [
        z.strictObject({
          first: z
            .int(said("the-first-values-are-counted-by-a-whole-number"))
            .min(2, said("a-baseline-needs-at-least-2-values")),
        }),
        z.strictObject({
          mean: zValue,
          sigma: zValue.min(0, said("sigma-must-be-0-or-more")),
        }),
      ],
      said("give-a-baseline-as-first-or-mean-and-sigma"),
    ),
    lambda: z
      .number(said("lambda-must-be-a-number-for-example"))
      .gt(0, said("lambda-must-be-above-0"))
      .max(1, said("lambda-must-be-at-most-1")),
    width: z.number(said("width-must-be-a-number-for-example")).gt(0, said("width-must-be-above-0")),
  })
  .refine(({ values, baseline }) => !("first" in baseline) || baseline.first <= values.length, {
    path: ["baseline", "first"],
    ...said("a-baseline-must-not-count-more-values-than-given"),
    params: coded("limit"),
  });

type DriftInput = z.output<typeof zDriftInput>;

interface Drift {
  readonly mean: number;
  readonly sigma: number;
  /** A value each: the moving average, and the limits it should be within. */
  readonly ewma: readonly number[];
  readonly lower: readonly number[];
  readonly upper: readonly number[];
  /** Places, from 1, where the moving average is outside its limits. */
  readonly signals: readonly number[];
  /** Places, from 1, where the value itself is beyond three sigma. */
  readonly outside: readonly number[];
}

/** Mean range of two values over their standard deviation (NIST/SEMATECH e-Handbook 6.3.2.2, d₂ for n = 2). */
const RANGE_OF_TWO = 1.128;

const ON_LIMIT = 1e-9;

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

function baselineOf({ values, baseline }: Pick<DriftInput, "values" | "baseline">) {
  if (!("first" in baseline)) return baseline;
  const first = values.slice(0, baseline.first);
  const ranges = first.slice(1).map((value, i) => Math.abs(value - (first[i] ?? value)));
  return { mean: meanOf(first), sigma: meanOf(ranges) / RANGE_OF_TWO };
}

/**
 * Whether a run of values has moved: an individuals chart, and an exponentially weighted moving average with its limits
 * (NIST/SEMATECH e-Handbook 6.3.2.2 and 6.3.2.4). A value on a limit is inside.
 * @example driftOf({ values: [10, 10, 14], baseline: { mean: 10, sigma: 1 }, lambda: 0.3, width: 3 }).outside // [3]
 */
export function driftOf(input: DriftInput): Drift {
  const { values, lambda, width } = input;
  const { mean, sigma } = baselineOf(input);
  const [ewma, lower, upper]: [number[], number[], number[]] = [[], [], []];
  let average = mean;
  for (const [i, value] of values.entries()) {
    average = lambda * value + (1 - lambda) * average;
    const grown = 1 - (1 - lambda) ** (2 * (i + 1));
    const half = width * sigma * Math.sqrt((lambda / (2 - lambda)) * grown);
    ewma.push(average);
    lower.push(mean - half);
    upper.push(mean + half);
  }
  const places = (isOut: (value: number, i: number) => boolean, of: readonly number[]) =>
    of.flatMap((value, i) => (isOut(value, i) ? [i + 1] : []));
  return {
    mean,
    sigma,
    ewma,
    lower,
    upper,
    signals: places((z, i) => Math.abs(z - mean) > (upper[i] ?? 0) - mean + ON_LIMIT, ewma),
    outside: places((value) => Math.abs(value - mean) > 3 * sigma + ON_LIMIT, values),
  };
}
