import { z } from "zod";
import { zMm, zMmNotNegative } from "../length/length";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zMark = z
  .number(said("a-mark-must-be-a-number"))
  .min(0, said("a-mark-must-be-0-or-more"))
  .max(1e9, said("a-mark-must-be-at-most-a-thousand-million"));

const printed = {
  unit: z.enum(["m", "ft"], said("marks-are-in-m-or-ft")),
  /** The highest mark: after it they begin again at 0. */
  wrap: z
    .int(said("the-highest-mark-must-be-a-whole-number"))
    .min(1, said("the-highest-mark-must-be-1-or-more"))
    .max(1e9, said("a-mark-must-be-at-most-a-thousand-million")),
  /** How the marks run into the reel. */
  direction: z.enum(["up", "down"], said("marks-run-up-or-down")),
  accuracyPct: z
    .number(said("accuracy-must-be-a-percentage"))
    .min(0, said("accuracy-must-be-0-or-more"))
    .lt(100, said("accuracy-must-be-below-100")),
};

interface Marked {
  readonly wrap: number;
  readonly from: number;
  readonly to?: number;
}

/** A mark lies below the one after the highest, which is 0 again. */
const withinWrap = (
  name: "from" | "to",
): [
  (input: Marked) => boolean,
  { path: string[]; error: () => string; params: ReturnType<typeof coded> },
] => [
  (input) => (input[name] ?? 0) < input.wrap + 1,
  { path: [name], ...said("this-mark-must-be-below-the-highest-and-1"), params: coded("limit") },
];

export const zMarksInput = z
  .strictObject({
    ...printed,
    from: zMark,
    kerf: zMmNotNegative,
    cuts: z
      .array(
        zMm.refine((cut) => cut >= 0, {
          ...said("this-length-cannot-be-negative"),
          params: coded("negative"),
        }),
      )
      .max(10_000, said("give-at-most-10-000-cuts")),
  })
  .refine(...withinWrap("from"));

export const zMarkLengthInput = z
  .strictObject({ ...printed, from: zMark, to: zMark })
  .refine(...withinWrap("from"))
  .refine(...withinWrap("to"));

type MarksInput = z.output<typeof zMarksInput>;
type MarkLengthInput = z.output<typeof zMarkLengthInput>;

/** Micrometres in a metre and in a foot (0.3048 m exactly: NIST SP 811, appendix B). */
const UM_OF = { m: 1_000_000n, ft: 304_800n } as const;

/** A number as it is written, exactly: digits over a power of ten. */
function exactly(value: number): { readonly digits: bigint; readonly over: bigint } {
  const [mantissa = "0", exponent = "0"] = String(value).split("e");
  const [whole = "0", fraction = ""] = mantissa.split(".");
  const places = fraction.length - Number(exponent);
  const digits = BigInt(whole + fraction);
  return places >= 0
    ? { digits, over: 10n ** BigInt(places) }
    : { digits: digits * 10n ** BigInt(-places), over: 1n };
}

const modulo = (value: bigint, by: bigint): bigint => ((value % by) + by) % by;

/** A quotient to the nearest whole; a half goes up. */
const rounded = (over: bigint, under: bigint): bigint => (2n * over + under) / (2n * under);

interface MarkedCut {
  /** Marks, in the unit, to 0.001. */
  readonly start: number;
  /** Where the marked length is the cut's. */
  readonly end: number;
  /** Where it would be even if the marks ran so much long. */
  readonly sure: number;
}

/**
 * Where to cut by the marks printed on a sheath, each cut after the one before and its kerf. Worked out in whole fractions of
 * a micrometre, so that nothing strays over any number of cuts; only what is answered is rounded.
 * @example markCuts({ unit: "m", wrap: 999, direction: "up", from: 990, kerf: um(0), accuracyPct: 0, cuts: [um(20_000_000)] }).cuts
 * // [{ start: 990, end: 10, sure: 10 }]
 */
export function markCuts({ unit, wrap, direction, from, kerf, accuracyPct, cuts }: MarksInput): {
  readonly cuts: readonly MarkedCut[];
} {
  const start = exactly(from);
  const accuracy = exactly(accuracyPct);
  // A mark's place is counted in micrometres over `start.over`.
  const scale = start.over;
  const unitUm = UM_OF[unit];
  const round = BigInt(wrap + 1) * unitUm * scale;
  const sign = direction === "up" ? 1n : -1n;
  // To 0.001 of the unit; the mark after the highest is 0. `under` is what a place is counted in fractions of.
  const markAt = (place: bigint, under: bigint): number => {
    const thousandths = rounded(modulo(place, round * under) * 1_000n, unitUm * scale * under);
    return Number(thousandths % (BigInt(wrap + 1) * 1_000n)) / 1_000;
  };
  // 100 / (100 − accuracy), as whole numbers.
  const [by, under] = [100n * accuracy.over, 100n * accuracy.over - accuracy.digits];
  let place = start.digits * unitUm;
  return {
    cuts: cuts.map((cut): MarkedCut => {
      const length = BigInt(cut) * scale;
      const marked = {
        start: markAt(place, 1n),
        end: markAt(place + sign * length, 1n),
        sure: markAt(place * under + sign * length * by, under),
      };
      place = modulo(place + sign * (length + BigInt(kerf) * scale), round);
      return marked;
    }),
  };
}

interface MarkLength {
  /** Micrometres, not rounded. */
  readonly length: number;
  /** What it may be with the marks off either way. */
  readonly min: number;
  readonly max: number;
}

/**
 * The length between two marks, read in the direction they run. From a mark to itself is nothing, not a full turn.
 * @example lengthOfMarks({ unit: "m", wrap: 999, direction: "up", from: 990, to: 10, accuracyPct: 0 }).length // 20000000
 */
export function lengthOfMarks({ unit, wrap, direction, from, to, accuracyPct }: MarkLengthInput): MarkLength {
  const [first, last] = direction === "up" ? [exactly(from), exactly(to)] : [exactly(to), exactly(from)];
  const over = first.over * last.over;
  const apart = modulo(last.digits * first.over - first.digits * last.over, BigInt(wrap + 1) * over);
  const length = Number(apart * UM_OF[unit]) / Number(over);
  return { length, min: length * (1 - accuracyPct / 100), max: length * (1 + accuracyPct / 100) };
}
