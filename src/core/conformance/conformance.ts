import { z } from "zod";
import { ZERO, zMm, zMmNotNegative } from "../length/length";
import { coded } from "../problem/codes";
import { said } from "../words/core";
import { normalBetween } from "./normal";

export const zRule = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("simple") }),
    z.strictObject({
      kind: z.literal("guarded"),
      risk: z
        .number(said("risk-must-be-a-number-for-example"))
        .min(0, said("risk-must-be-at-least-0"))
        .max(0.5, said("risk-must-be-at-most-0-5")),
    }),
  ],
  said("rule-must-be-simple-or-guarded-with"),
);

/** How a reading is judged: by its mean alone, or by the probability that the length itself is within limits. */
export type Rule = z.output<typeof zRule>;

export const zInstrumentError = z.strictObject({
  resolution: zMmNotNegative,
  repeatability: zMmNotNegative,
  /** Mean of readings of a gauge less its length, as last checked; the readings are not corrected by it. */
  bias: zMm.optional(),
});
type InstrumentError = z.output<typeof zInstrumentError>;

export const zConformanceInput = z
  .strictObject({
    limits: z.strictObject({ min: zMm.nullish(), max: zMm.nullish() }),
    readings: z
      .array(zMm)
      .min(1, said("enter-at-least-one-reading"))
      .max(10_000, said("enter-at-most-10-000-readings")),
    instrument: zInstrumentError,
    rule: zRule,
  })
  .refine(({ limits }) => limits.min == null || limits.max == null || limits.min <= limits.max, {
    path: ["limits"],
    ...said("the-least-allowed-must-not-exceed-the"),
    params: coded("crossed-limits"),
  });

export type ConformanceInput = z.output<typeof zConformanceInput>;
export type Verdict = "in" | "out" | "unsure";

export interface Conformance {
  /** Mean of the readings, micrometres, not rounded. */
  readonly mean: number;
  /** Standard uncertainty of the mean, micrometres. */
  readonly u: number;
  /** Probability that the length is within the limits. */
  readonly probability: number;
  readonly verdict: Verdict;
  /** Readings still needed at this mean to settle it: 0 once settled, null if thirty would not. Guarded rule only. */
  readonly more?: number | null;
}

const MOST_MORE = 30;

/**
 * Judges readings of one length against inclusive limits.
 * Uncertainty u = √(resolution²/12 + repeatability²/n + bias²) (JCGM 100, 4.3.7 and 4.2.3); probability of
 * conformity under a normal distribution about the mean (JCGM 106:2012, clause 7).
 * @param beside standard uncertainty of the limits themselves, micrometres, where they hang on another reading: added in
 *   quadrature (JCGM 100, 5.1.2).
 * @example judge({ limits: { min: um(48_000), max: um(49_000) }, readings: [um(48_500)], instrument: { resolution: um(10), repeatability: um(20) }, rule }).verdict
 * // "in"
 */
export function judge({ limits, readings, instrument, rule }: ConformanceInput, beside = 0): Conformance {
  const n = readings.length;
  const sum = readings.reduce((total: number, reading) => total + reading, 0);
  const mean = sum / n;
  const within =
    (limits.min == null || sum >= limits.min * n) && (limits.max == null || sum <= limits.max * n);
  const conformity = (count: number) =>
    probabilityWithin(limits, mean, Math.hypot(instrumentUncertainty(instrument, count), beside), within);
  const u = Math.hypot(instrumentUncertainty(instrument, n), beside);
  const probability = conformity(n);
  if (rule.kind === "simple") return { mean, u, probability, verdict: within ? "in" : "out" };
  const verdict = guarded(probability, rule.risk);
  return {
    mean,
    u,
    probability,
    verdict,
    more: verdict === "unsure" ? readingsNeeded(conformity, n, rule.risk) : 0,
  };
}

/**
 * Standard uncertainty of the mean of n readings, micrometres. A bias that is known and not corrected is added in quadrature
 * (Phillips, Eberhardt & Parry 1997, J. Res. NIST 102, "RSSu", from memory).
 * @example instrumentUncertainty({ resolution: um(0), repeatability: um(30), bias: um(40) }, 1) // 50
 */
export const instrumentUncertainty = (
  { resolution, repeatability, bias = ZERO }: InstrumentError,
  n: number,
): number => Math.sqrt(resolution ** 2 / 12 + repeatability ** 2 / n + bias ** 2);

function probabilityWithin(
  limits: ConformanceInput["limits"],
  mean: number,
  u: number,
  within: boolean,
): number {
  if (u === 0) return within ? 1 : 0;
  const low = limits.min == null ? Number.NEGATIVE_INFINITY : (limits.min - mean) / u;
  const high = limits.max == null ? Number.POSITIVE_INFINITY : (limits.max - mean) / u;
  return normalBetween(low, high);
}

function guarded(probability: number, risk: number): Verdict {
  if (probability >= 1 - risk) return "in";
  return probability <= risk ? "out" : "unsure";
}

function readingsNeeded(conformity: (count: number) => number, n: number, risk: number): number | null {
  for (let more = 1; more <= MOST_MORE; more++)
    if (guarded(conformity(n + more), risk) !== "unsure") return more;
  return null;
}
