import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zPositive = zMmNotNegative.refine((value) => value > 0, {
  ...said("this-length-must-be-greater-than-0"),
  params: coded("negative"),
});

/** How elements are wound: on what diameter, once round in how much sheath. */
export const zLay = z.strictObject({ diameter: zMmNotNegative, pitch: zPositive });
export type Lay = z.output<typeof zLay>;

export const zLayInput = z
  .strictObject({
    sheath: zMmNotNegative.optional(),
    fibre: zMmNotNegative.optional(),
    lay: zLay.optional(),
    excessPct: z
      .number(said("excess-must-be-a-percentage"))
      .min(0, said("excess-must-be-at-least-0"))
      .max(100, said("excess-must-be-at-most-100")),
  })
  .refine(({ sheath, fibre }) => (sheath === undefined) !== (fibre === undefined), {
    path: ["sheath"],
    ...said("give-the-length-of-the-sheath-or"),
  });

type LayInput = z.output<typeof zLayInput>;

/**
 * How much longer an element is than the sheath it is wound in: the helix of one turn unrolled (the hypotenuse of its
 * circumference and its pitch).
 */
export const layFactor = ({ diameter, pitch }: Lay): number => Math.hypot(1, (Math.PI * diameter) / pitch);

interface FibreLength {
  /** Fibre length over sheath length. */
  readonly factor: number;
  /** Micrometres, not rounded. */
  readonly sheath: number;
  readonly fibre: number;
}

/** Fibre and sheath lengths, each from the other. */
export function fibreLength({ sheath, fibre, lay, excessPct }: LayInput): FibreLength {
  const factor = (lay ? layFactor(lay) : 1) * (1 + excessPct / 100);
  return sheath === undefined
    ? { factor, sheath: (fibre ?? 0) / factor, fibre: fibre ?? 0 }
    : { factor, sheath, fibre: sheath * factor };
}
