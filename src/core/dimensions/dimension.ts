import { z } from "zod";
import { type Length, zMm, zMmNotNegative } from "../length/length";
import { zId, zName } from "../names/names";
import { coded } from "../problem/codes";
import { said, t } from "../words/core";

/** `to` lies `nominal` behind `from`, at least nominal − minus and at most nominal + plus; null leaves that side open. */
export interface Dimension {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly nominal: Length;
  readonly plus: Length | null;
  readonly minus: Length | null;
}

/** The most features one question may hold: closing limits takes time with its cube. */
export const FEATURE_LIMIT = 250;
/** So many lengths between them are worked out within a second. */
export const DIMENSION_LIMIT = 2_000;

export const zDimension = z.strictObject({
  id: zId,
  from: zName,
  to: zName,
  nominal: zMm,
  plus: zMmNotNegative.nullable(),
  minus: zMmNotNegative.nullable(),
});

/** Whether features are named once, dimensions have ids of their own and join two listed features; else an issue each. */
export function namesHold(
  {
    features,
    dimensions,
  }: { readonly features: readonly string[]; readonly dimensions: readonly Dimension[] },
  context: z.core.$RefinementCtx,
): void {
  const allowed = new Set<string>();
  features.forEach((name, i) => {
    if (allowed.has(name))
      context.addIssue({
        code: "custom",
        path: ["features", i],
        message: t("feature-is-named-twice", { name }),
        params: coded("duplicate"),
      });
    allowed.add(name);
  });
  const ids = new Set<string>();
  dimensions.forEach((dimension, i) => {
    if (ids.has(dimension.id))
      context.addIssue({
        code: "custom",
        path: ["dimensions", i, "id"],
        message: t("each-dimension-must-have-its-own-id"),
        params: coded("duplicate"),
      });
    ids.add(dimension.id);
    for (const side of ["from", "to"] as const)
      if (!allowed.has(dimension[side]))
        context.addIssue({
          code: "custom",
          path: ["dimensions", i, side],
          message: t("a-dimension-must-join-two-listed-features"),
          params: coded("unknown-feature"),
        });
    if (dimension.from === dimension.to)
      context.addIssue({
        code: "custom",
        path: ["dimensions", i, "to"],
        message: t("a-dimension-must-join-two-different-features"),
        params: coded("same-feature"),
      });
  });
}

export const zDimensionsInput = z
  .strictObject({
    features: z.array(zId).max(FEATURE_LIMIT, said("at-most-features", { featureLimit: FEATURE_LIMIT })),
    dimensions: z
      .array(zDimension)
      .max(DIMENSION_LIMIT, said("at-most-dimensions", { dimensionLimit: DIMENSION_LIMIT })),
  })
  .superRefine(namesHold);

export type DimensionsInput = z.output<typeof zDimensionsInput>;

/** The least and greatest a dimension states, micrometres; ±Infinity where a side is open. */
export function statedLimits(dimension: Pick<Dimension, "nominal" | "plus" | "minus">): {
  min: number;
  max: number;
} {
  return {
    min: dimension.minus === null ? Number.NEGATIVE_INFINITY : dimension.nominal - dimension.minus,
    max: dimension.plus === null ? Number.POSITIVE_INFINITY : dimension.nominal + dimension.plus,
  };
}
