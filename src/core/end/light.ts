import type { Rule } from "../conformance/conformance";
import type { LightReading, Wavelength } from "../light/light-reading";
import { judgeLoss } from "../light/loss";
import type { EndState, LightRead } from "./end-state";

/** A loss judged; where both directions were read, their mean. */
interface LightStanding {
  readonly wavelength: Wavelength;
  /** Read from here, from the far end, or the mean of both. */
  readonly from: "here" | "far" | "both";
  readonly loss: number;
  readonly u: number;
  readonly limitDb: number;
  /** A reading brighter than its reference by more than noise is never in: its reference is taken again first. */
  readonly verdict: "in" | "out" | "unsure";
  readonly gain: boolean;
}

/** Half of it, where the rule asks for no guard band. */
const EVEN = 0.5 - 1e-9;

/**
 * One reading of light judged by its own reference and limit.
 * @example judgeLight(lightRead, rule).verdict // "in"
 */
export function judgeLight(
  { reference, dBm, meter, limitDb }: Pick<LightReading, "reference" | "dBm" | "meter" | "limitDb">,
  rule: Rule,
) {
  return judgeLoss({
    reference: reference.dBm,
    reading: dBm,
    meter: { resolution: meter.resolution, repeatability: meter.repeatability },
    mating: { repeatability: meter.mating },
    limit: limitDb,
    risk: rule.kind === "guarded" ? Math.min(rule.risk, EVEN) : EVEN,
  });
}

/**
 * How an end stands in light: at each wavelength its newest reading of each direction, and where both were read their mean.
 * A step between two kinds of fibre reads as a gain from one side and as too much from the other: the mean is the loss.
 * @example lightStandings({ light: [] }, rule) // []
 */
export function lightStandings({ light }: Pick<EndState, "light">, rule: Rule): LightStanding[] {
  const wavelengths = [...new Set(light.map(({ reference }) => reference.wavelength))].sort((a, b) => a - b);
  return wavelengths.map((wavelength) => {
    const newest = (from: LightRead["from"]) =>
      light.findLast((read) => read.from === from && read.reference.wavelength === wavelength);
    const reads = [newest("here"), newest("far")].flatMap((read) => read ?? []);
    const judged = reads.map((read) => judgeLight(read, rule));
    const [first, second] = judged;
    const limitDb = Math.min(...reads.map((read) => read.limitDb));
    if (!first || !second) {
      const [read] = reads;
      const { loss, u, verdict, gain } = first ?? { loss: 0, u: 0, verdict: "unsure" as const, gain: false };
      const from = read?.from ?? "here";
      return { wavelength, from, loss, u, limitDb, gain, verdict: gain ? "unsure" : verdict };
    }
    const loss = (first.loss + second.loss) / 2;
    const u = Math.hypot(first.u, second.u) / 2;
    const mean = judgeLoss({
      reference: [loss],
      reading: [0],
      meter: { resolution: 0, repeatability: 0 },
      mating: { repeatability: u },
      limit: limitDb,
      risk: rule.kind === "guarded" ? Math.min(rule.risk, EVEN) : EVEN,
    });
    return {
      wavelength,
      from: "both",
      loss,
      u,
      limitDb,
      gain: mean.gain,
      verdict: mean.gain ? "unsure" : mean.verdict,
    };
  });
}
