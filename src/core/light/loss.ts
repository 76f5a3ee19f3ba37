import { z } from "zod";
import { normalBetween } from "../conformance/normal";
import { said } from "../words/core";
import { zDb, zLossDb } from "./light";

const zReadings = z
  .array(zDb)
  .min(1, said("enter-at-least-one-reading"))
  .max(10_000, said("enter-at-most-10-000-readings"));

export const zLossInput = z.strictObject({
  /** dBm, the source through its own cord; each after mating again. */
  reference: zReadings,
  /** dBm, the same with the end under test in between. */
  reading: zReadings,
  /** dB. */
  meter: z.strictObject({ resolution: zLossDb, repeatability: zLossDb }),
  mating: z.strictObject({ repeatability: zLossDb }),
  limit: zLossDb,
  risk: z
    .number(said("risk-must-be-a-number-for-example"))
    .gt(0, said("risk-must-be-above-0"))
    .lt(0.5, said("risk-must-be-below-0-5")),
});

type LossInput = z.output<typeof zLossInput>;

interface Loss {
  /** dB; negative where the end reads brighter than its reference. */
  readonly loss: number;
  /** Standard uncertainty, dB. */
  readonly u: number;
  /** That the loss is at most the limit. */
  readonly probability: number;
  readonly verdict: "in" | "out" | "unsure";
  /** Brighter than the reference by more than noise: the reference is stale or dirty. */
  readonly gain: boolean;
}

const EQUAL_DB = 1e-9;

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Insertion loss by two sets of light readings, judged against a limit. The meter's rounding is in both and does not
 * average out, its repeatability and each mating do: u² = 2·resolution²/12 + repeatability²·(1/m + 1/n) + mating²/n
 * (JCGM 100, 4.3.7 and 4.2.3); the probability by a normal distribution about the loss (JCGM 106:2012, clause 7).
 * @example judgeLoss({ reference: [-20], reading: [-20.2], meter: { resolution: 0, repeatability: 0 }, mating: { repeatability: 0 }, limit: 0.3, risk: 0.05 }).verdict
 * // "in"
 */
export function judgeLoss({ reference, reading, meter, mating, limit, risk }: LossInput): Loss {
  const [m, n] = [reference.length, reading.length];
  const loss = meanOf(reference) - meanOf(reading);
  const u = Math.sqrt(
    (2 * meter.resolution ** 2) / 12 +
      meter.repeatability ** 2 * (1 / m + 1 / n) +
      mating.repeatability ** 2 / n,
  );
  const within = loss <= limit + EQUAL_DB ? 1 : 0;
  const probability = u === 0 ? within : normalBetween(Number.NEGATIVE_INFINITY, (limit - loss) / u);
  return { loss, u, probability, verdict: verdictOf(probability, risk), gain: loss < -3 * u - EQUAL_DB };
}

function verdictOf(probability: number, risk: number): Loss["verdict"] {
  if (probability >= 1 - risk) return "in";
  return probability <= risk ? "out" : "unsure";
}
