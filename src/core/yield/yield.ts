import { z } from "zod";
import { coded } from "../problem/codes";
import { said } from "../words/core";

const zCounted = z
  .int(said("counts-of-ends-must-be-whole-numbers"))
  .min(0, said("counts-of-ends-must-be-0-or"))
  .max(1e6);

/** A yield: the share of tries that come out good, above 0; or a record of so many good out of so many tried. */
export const zYieldOrRecord = z.union(
  [
    z.strictObject({
      p: z
        .number(said("a-yield-must-be-a-share-for-example"))
        .gt(0, said("a-yield-must-be-above-0"))
        .max(1, said("a-yield-must-be-at-most-1")),
    }),
    z.strictObject({ good: zCounted, tried: zCounted }).refine(({ good, tried }) => good <= tried, {
      path: ["good"],
      ...said("good-ends-must-not-exceed-ends-tried"),
      params: coded("crossed-limits"),
    }),
  ],
  said("yield-must-be-a-share-p-or"),
);

export type YieldOrRecord = z.output<typeof zYieldOrRecord>;

/** A number of ends: whole, at least one. */
export const zEnds = z
  .int(said("ends-must-be-a-whole-number"))
  .min(1, said("at-least-one-end"))
  .max(100_000, said("ends-must-be-at-most-100-000"));
