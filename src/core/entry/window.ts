import { z } from "zod";
import { type Length, zMmNotNegative } from "../length/length";
import { layFactor, zLay } from "../piece/lay";
import { CUT_PLACES } from "../piece/station";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zMore = zMmNotNegative.refine((value) => value > 0, {
  ...said("this-length-must-be-greater-than-0"),
  params: coded("negative"),
});

export const zWindowInput = z.strictObject({
  /** From either sheath edge to the storage, along the tube. */
  entryPaths: z.tuple([zMmNotNegative, zMmNotNegative], said("enter-two-entry-paths-one-from-each")),
  turns: z
    .int(said("turns-must-be-a-whole-number"))
    .min(0, said("turns-must-be-0-or-more"))
    .max(1_000, said("enter-at-most-1-000-turns")),
  perimeter: zMmNotNegative,
  lay: zLay.optional(),
  /** Sheath from one reversal of the lay to the next: an opening must hold one. */
  reversalSpacing: zMmNotNegative.optional(),
  cutAt: z.enum(CUT_PLACES, said("cut-must-be-one-of", { cutPlaces: CUT_PLACES.join(", ") })),
  /** What a cut end must reach: the splicer's table and back. */
  reach: zMmNotNegative,
  bendRadius: zMore,
});

export type WindowInput = z.output<typeof zWindowInput>;

type Sides<T> = { readonly upstream: T; readonly downstream: T };

/** A sheath opened in the middle of its run. Micrometres, not rounded. */
export interface SheathWindow {
  /** From one sheath edge to the other, along the sheath. */
  readonly opening: number;
  readonly layFactor: number;
  /** Tube in that opening, along the tube. */
  readonly tubeLength: number;
  readonly limitedBy: "storage" | "reversal";
  /** Radius of a stored turn, and whether the tube may rest so. */
  readonly loopRadius: number;
  readonly bendOk: boolean;
  /** Tube that either side has once it is cut. */
  readonly usable: Sides<number>;
  readonly reachOk: Sides<boolean>;
}

/** Shares of the tube that either side has. */
const SHARES: Readonly<Record<WindowInput["cutAt"], Sides<number>>> = {
  middle: { upstream: 0.5, downstream: 0.5 },
  upstream: { upstream: 0, downstream: 1 },
  downstream: { upstream: 1, downstream: 0 },
};

/** Below this a difference is how numbers are held, not a length; micrometres. */
const NOTHING = 1e-3;

const reaches = (length: number, wanted: Length | number): boolean => length >= wanted - NOTHING;

/**
 * How much sheath comes off in the middle of a cable so that its tube lies in both entry paths and its stored turns, and so
 * that a reversal of the lay lies in the opening: there the tubes come free. A wound tube is longer than its sheath by the
 * lay's factor.
 * @example Object.keys(sheathWindow({ entryPaths: [um(300_000), um(300_000)], turn: um(200_000), turns: 1, cutAt: "middle", excessPct: 0 }))
 * // ["opening", "layFactor", "tubeLength", "limitedBy", "loopRadius", "bendOk", "usable", "reachOk"]
 */
export function sheathWindow(input: WindowInput): SheathWindow {
  const { entryPaths, turns, perimeter, lay, reversalSpacing = 0, cutAt, reach, bendRadius } = input;
  const factor = lay ? layFactor(lay) : 1;
  const needed = entryPaths[0] + entryPaths[1] + turns * perimeter;
  const stored = needed / factor;
  const opening = Math.max(stored, reversalSpacing);
  const tubeLength = opening * factor;
  const loopRadius = perimeter / (2 * Math.PI);
  const usable = {
    upstream: SHARES[cutAt].upstream * tubeLength,
    downstream: SHARES[cutAt].downstream * tubeLength,
  };
  return {
    opening,
    layFactor: factor,
    tubeLength,
    limitedBy: reversalSpacing > stored ? "reversal" : "storage",
    loopRadius,
    bendOk: reaches(loopRadius, bendRadius),
    usable,
    reachOk: {
      upstream: reaches(usable.upstream, reach),
      downstream: reaches(usable.downstream, reach),
    },
  };
}
