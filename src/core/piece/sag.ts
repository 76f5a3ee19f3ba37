import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zSpan = zMmNotNegative.refine((value) => value > 0, {
  ...said("span-must-be-greater-than-0"),
  params: coded("negative"),
});

export const zSagInput = z
  .union(
    [
      z.strictObject({ span: zSpan, sag: zMmNotNegative }),
      z.strictObject({ span: zSpan, rise: zMmNotNegative, parameter: zSpan }),
    ],
    said("give-the-sag-of-a-level-span"),
  )
  .refine((input) => !("sag" in input) || input.sag <= MOST_SAG * input.span, {
    path: ["sag"],
    ...said("sag-must-be-at-most-a-hundred"),
    params: coded("limit"),
  })
  .refine((input) => !("parameter" in input) || input.span / (2 * input.parameter) <= MOST_HALF_SPAN, {
    path: ["parameter"],
    ...said("the-parameter-is-too-small-for-this"),
    params: coded("limit"),
  });

const MOST_SAG = 100;
const MOST_HALF_SPAN = 20;

type SagInput = z.output<typeof zSagInput>;

/** A hanging cable, micrometres, not rounded. */
interface Hanging {
  /** Horizontal tension over weight per length; null for a cable that hangs straight. */
  readonly parameter: number | null;
  readonly length: number;
  /** How much longer it is than the straight line. */
  readonly slack: number;
  /** The length by the parabola that is often used in its place; null where that is not. */
  readonly parabola: number | null;
}

/** Half the span over the parameter, from the sag over the span: (cosh u − 1) / 2u, which only grows with u. */
function halfSpanFor(ratio: number): number {
  let [low, high] = [0, 1];
  const at = (u: number) => Math.sinh(u / 2) ** 2 / u;
  while (at(high) < ratio) high *= 2;
  // Halved until no number lies between.
  for (;;) {
    const middle = (low + high) / 2;
    if (middle <= low || middle >= high) return middle;
    if (at(middle) < ratio) low = middle;
    else high = middle;
  }
}

/**
 * A cable hung between two points: the catenary y = a·(cosh(x/a) − 1) (Bernoulli, Leibniz and Huygens, 1691; any handbook
 * of mechanics). Level ends by their sag, others by their rise and the parameter.
 */
export function hang(input: SagInput): Hanging {
  if ("sag" in input) {
    const { span, sag } = input;
    if (sag === 0) return { parameter: null, length: span, slack: 0, parabola: span };
    const u = halfSpanFor(sag / span);
    const length = (span * Math.sinh(u)) / u;
    return {
      parameter: span / (2 * u),
      length,
      slack: length - span,
      parabola: span + (8 * sag * sag) / (3 * span),
    };
  }
  const { span, rise, parameter } = input;
  const length = Math.hypot(rise, 2 * parameter * Math.sinh(span / (2 * parameter)));
  return { parameter, length, slack: length - Math.hypot(span, rise), parabola: null };
}
