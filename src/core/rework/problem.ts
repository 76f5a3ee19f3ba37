import { z } from "zod";
import { DIMENSION_LIMIT, FEATURE_LIMIT, namesHold, zDimension } from "../dimensions/dimension";
import { zMm, zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { coded, type ErrorCode } from "../problem/codes";
import { mustHold } from "../problem/held";
import { said, t } from "../words/core";

/** A cut can only go further back, by at least its bite; a mark can be drawn again anywhere; the fixed stays. */
const zReworkFeature = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ name: zName, kind: z.literal("cut"), at: zMm, bite: zMmNotNegative }),
    z.strictObject({ name: zName, kind: z.literal("mark") }),
    z.strictObject({ name: zName, kind: z.literal("fixed"), at: zMm }),
  ],
  said("kind-must-be-cut-mark-or-fixed"),
);

export const zReworkInput = z
  .strictObject({
    features: z
      .array(zReworkFeature)
      .max(FEATURE_LIMIT, said("at-most-features", { featureLimit: FEATURE_LIMIT })),
    dimensions: z
      .array(zDimension)
      .max(DIMENSION_LIMIT, said("at-most-dimensions", { dimensionLimit: DIMENSION_LIMIT })),
    /** Cuts that must be made again whatever they measure: a nick, a bad cleave. */
    forced: z.array(zName),
    /** The feature whose movement is cable lost. */
    cable: zName,
  })
  .superRefine(({ features, dimensions, forced, cable }, context) => {
    const names = features.map(({ name }) => name);
    namesHold({ features: names, dimensions }, context);
    const refuse = (path: (string | number)[], message: string, code: ErrorCode) =>
      context.addIssue({ code: "custom", path, message, params: coded(code) });
    if (!names.includes(cable)) refuse(["cable"], t("it-must-be-one-of-the-features"), "unknown-feature");
    forced.forEach((name, i) => {
      const kind = features.find((feature) => feature.name === name)?.kind;
      if (kind === undefined) refuse(["forced", i], t("it-must-be-one-of-the-features"), "unknown-feature");
      if (kind === "mark") refuse(["forced", i], t("a-mark-cannot-be-forced-it-is"), "forced-mark");
    });
  });

export type ReworkInput = z.output<typeof zReworkInput>;
export type ReworkFeature = ReworkInput["features"][number];

/**
 * Feature `to` lies at least `least` behind feature `from`, micrometres, each by its place in the list; `half` is half the
 * width of its limit.
 */
export interface AtLeast {
  readonly from: number;
  readonly to: number;
  readonly least: number;
  readonly half: number;
}

/** Stated limits as “this is at least that plus so much”; a limit open on one side has no half-width. */
export function asAtLeast({ features, dimensions }: Pick<ReworkInput, "features" | "dimensions">): AtLeast[] {
  const places = new Map(features.map(({ name }, i) => [name, i]));
  const bounds: AtLeast[] = [];
  for (const { from: a, to: b, nominal, plus, minus } of dimensions) {
    const [from, to] = [mustHold(places, a), mustHold(places, b)];
    const half = plus === null || minus === null ? 0 : (plus + minus) / 2;
    if (minus !== null) bounds.push({ from, to, least: nominal - minus, half });
    if (plus !== null) bounds.push({ from: to, to: from, least: -(nominal + plus), half });
  }
  return bounds;
}
