import { z } from "zod";
import { type Length, um, ZERO, zMm, zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zTurns = z
  .int(said("turns-must-be-a-whole-number"))
  .min(0, said("turns-must-be-at-least-0"))
  .max(100, said("turns-must-be-at-most-100"));

const zPath = z.strictObject({
  name: zName,
  /** What lies outside the loops: from where it comes in to the loops, and from them to its slot. */
  fixed: zMmNotNegative,
  halfTurns: z
    .int(said("half-turns-must-be-a-whole-number"))
    .min(0, said("half-turns-must-be-at-least-0"))
    .max(100, said("half-turns-must-be-at-most-100"))
    .optional(),
});

/** One way round a tray, or several, and what its loops may be. */
export const zTraySide = z.strictObject({
  paths: z.array(zPath).min(1, said("give-at-least-one-path")).max(10, said("give-at-most-10-paths")),
  turns: z.strictObject({ min: zTurns, max: zTurns }).refine(({ min, max }) => min <= max, {
    path: ["min"],
    ...said("the-fewest-turns-must-not-exceed-the-most"),
    params: coded("crossed-limits"),
  }),
  perimeter: z
    .strictObject({ min: zMmNotNegative, max: zMmNotNegative })
    .refine(({ min, max }) => min <= max, {
      path: ["min"],
      ...said("the-least-perimeter-must-not-exceed-the-greatest"),
      params: coded("crossed-limits"),
    }),
});

export type TraySide = z.output<typeof zTraySide>;

export const zLoopsInput = z.strictObject({
  length: zMm.refine((length) => length >= 0, {
    ...said("this-length-cannot-be-negative"),
    params: coded("negative"),
  }),
  ...zTraySide.shape,
  bendRadius: zMmNotNegative,
});

type LoopsInput = z.output<typeof zLoopsInput>;

/** A way a fibre lies: by which path, with so many whole loops, each of this perimeter (micrometres, not rounded). */
interface LoopChoice {
  readonly path: string;
  readonly turns: number;
  /** Null where it makes no loop at all. */
  readonly perimeter: number | null;
}

interface Loops {
  readonly fits: boolean;
  /** Nearest to the middle of the perimeters first. */
  readonly choices: readonly LoopChoice[];
  /** The least to trim, where it does not fit; null where trimming does not help. */
  readonly shorter: Length | null;
  /** The least that is missing, where it does not fit; null where more would not help. */
  readonly longer: Length | null;
  /** Why it can never fit: no loop of the bend radius has a perimeter in range. */
  readonly reason?: "bend";
}

/** Rounding of the sums below, micrometres: far under the micrometre lengths are given in, far over the error of the sums. */
const HAIR = 1e-6;

/** What a fibre with so many loops on a path takes: between the two lengths, whichever perimeter its loops are given. */
interface Reach {
  readonly path: string;
  readonly fixed: Length;
  readonly turns: number;
  /** Whole loops and half ones together. */
  readonly round: number;
  readonly least: number;
  readonly most: number;
}

/** The lengths that lie on a side of a tray; null where the bend radius leaves no loop in range. */
export function reachesOf({ paths, turns, perimeter }: TraySide, bendRadius: Length): Reach[] | null {
  // A circle of the bend radius is the tightest loop there is.
  const tightest = Math.max(perimeter.min, 2 * Math.PI * bendRadius);
  if (tightest > perimeter.max) return null;
  return paths.flatMap(({ name, fixed, halfTurns = 0 }) =>
    Array.from({ length: turns.max - turns.min + 1 }, (_, i) => {
      const round = turns.min + i + halfTurns / 2;
      const [least, most] = [fixed + round * tightest, fixed + round * perimeter.max];
      return { path: name, fixed, turns: turns.min + i, round, least, most };
    }),
  );
}

const isWithin = (length: Length, { least, most }: Reach): boolean =>
  least - HAIR <= length && length <= most + HAIR;

/** The least to trim for a length to lie as one of several: 0 where it does already, null where trimming does not help. */
export function leastTrim(reaches: readonly Reach[], length: Length): Length | null {
  let least: number | null = null;
  for (const reach of reaches) {
    if (isWithin(length, reach)) return ZERO;
    const over = length - reach.most;
    if (over > 0 && (least === null || over < least)) least = over;
  }
  return least === null ? null : surely(least);
}

/** A length in whole micrometres that are surely enough. */
const surely = (length: number): Length => um(Math.ceil(length - HAIR));

/**
 * Whether a fibre of a length lies on a tray, by which path and in how many loops; else how much to trim, or how much is
 * missing. A loop is no tighter than a circle of the bend radius (its circumference, 2πr).
 * @example layLoops({ length: um(900_000), paths: [{ name: "with", fixed: um(100_000) }], turns: { min: 1, max: 4 }, perimeter: { min: um(250_000), max: um(300_000) }, bendRadius: um(30_000) }).choices
 * // [{ path: "with", turns: 3, perimeter: 266666.6666666667 }]
 */
export function layLoops({ length, bendRadius, ...side }: LoopsInput): Loops {
  const reaches = reachesOf(side, bendRadius);
  if (!reaches) return { fits: false, choices: [], shorter: null, longer: null, reason: "bend" };
  const middle = (side.perimeter.min + side.perimeter.max) / 2;
  const offMiddle = ({ perimeter }: LoopChoice) => (perimeter === null ? 0 : Math.abs(perimeter - middle));
  const choices = reaches
    .filter((reach) => isWithin(length, reach))
    .map(
      ({ path, turns, round, fixed }): LoopChoice => ({
        path,
        turns,
        perimeter: round === 0 ? null : (length - fixed) / round,
      }),
    )
    .sort((a, b) => offMiddle(a) - offMiddle(b));
  if (choices.length > 0) return { fits: true, choices, shorter: null, longer: null };
  const under = reaches.map(({ least }) => least - length).filter((off) => off > 0);
  const longer = under.length > 0 ? surely(Math.min(...under)) : null;
  return { fits: false, choices, shorter: leastTrim(reaches, length), longer };
}
