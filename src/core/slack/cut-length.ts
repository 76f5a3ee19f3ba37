import { z } from "zod";
import { type Length, um, zMmNotNegative } from "../length/length";
import { coded } from "../problem/codes";
import { said, t } from "../words/core";

const zTimes = (noun: () => string) =>
  z
    .int(said("must-be-a-whole-number", { noun }))
    .min(0, said("must-be-0-or-more", { noun }))
    .max(1_000, said("must-be-at-most-1-000", { noun }));

/** A stretch of route with what is allowed on top of it for how it really lies. */
export const zSegment = z.strictObject({
  length: zMmNotNegative,
  allowancePct: z
    .number(said("allowance-must-be-a-percentage"))
    .min(0, said("allowance-must-be-at-least-0"))
    .max(100, said("allowance-must-be-at-most-100")),
});

export const zStored = z.strictObject({
  turns: zTimes(() => t("the-number-of-turns")),
  perimeter: zMmNotNegative,
});

const zEndUse = z.strictObject({
  prep: zMmNotNegative,
  waste: zMmNotNegative,
  retries: zTimes(() => t("the-number-of-retries")),
  perRetry: zMmNotNegative,
});

export const zCutLengthInput = z.strictObject({
  route: z.array(zSegment).max(1_000, said("at-most-1-000-stretches-of-route")),
  stored: z.array(zStored).max(1_000, said("at-most-1-000-loops")),
  ends: z.array(zEndUse).max(1_000, said("at-most-1-000-ends")),
  roundUpTo: zMmNotNegative.refine((value) => value > 0, {
    ...said("rounding-must-be-to-a-length-greater"),
    params: coded("negative"),
  }),
});

type CutLengthInput = z.output<typeof zCutLengthInput>;

/** What a cable must be cut to, micrometres; only the cut is rounded, and once. */
interface CutLength {
  readonly route: number;
  readonly stored: number;
  readonly ends: number;
  readonly exact: number;
  readonly cut: Length;
}

const total = <T>(all: readonly T[], length: (item: T) => number): number =>
  all.reduce((sum, part) => sum + length(part), 0);

/** A stretch with its allowance, micrometres, not rounded. */
export const allowed = ({ length, allowancePct }: z.output<typeof zSegment>): number =>
  (length * (100 + allowancePct)) / 100;

/** Below this a difference is how numbers are held, not a length; micrometres. */
const NOTHING = 1e-3;

/** A length rounded up to a whole number of steps. */
export const roundedUp = (exact: number, step: Length): Length =>
  um(Math.ceil((exact - NOTHING) / step) * step);

/** What a route, what is stored on it, and the ends at either side take together. */
export function cutLength({ route, stored, ends, roundUpTo }: CutLengthInput): CutLength {
  const parts = {
    route: total(route, allowed),
    stored: total(stored, ({ turns, perimeter }) => turns * perimeter),
    ends: total(ends, ({ prep, waste, retries, perRetry }) => prep + waste + retries * perRetry),
  };
  const exact = parts.route + parts.stored + parts.ends;
  return { ...parts, exact, cut: roundedUp(exact, roundUpTo) };
}
