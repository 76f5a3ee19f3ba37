import { z } from "zod";
import { type Length, um, ZERO, zMm, zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { coded, type ErrorCode } from "../problem/codes";
import { mustHold } from "../problem/held";
import { said, t } from "../words/core";

export const zStackInput = z
  .strictObject({
    features: z
      .array(
        z.strictObject({
          name: zName,
          from: zName.optional(),
          nominal: zMm.optional(),
          error: zMmNotNegative.optional(),
        }),
      )
      .min(1, said("list-at-least-the-root-feature"))
      .max(500, said("at-most-500-features")),
    between: z
      .array(z.strictObject({ from: zName, to: zName }))
      .max(2_000, said("at-most-2-000-pairs"))
      .default([]),
  })
  .superRefine(({ features, between }, context) => {
    const issue = (path: (string | number)[], message: string, code: ErrorCode) =>
      context.addIssue({ code: "custom", path, message, params: coded(code) });
    const cache = new Map<string, string | undefined>();
    features.forEach((feature, i) => {
      if (cache.has(feature.name))
        issue(["features", i, "name"], t("each-feature-must-have-its-own-name"), "duplicate");
      cache.set(feature.name, feature.from);
    });
    let roots = 0;
    features.forEach((feature, i) => {
      if (feature.from === undefined) {
        roots += 1;
        if (feature.nominal !== undefined || feature.error)
          issue(["features", i, "from"], t("only-the-root-may-be-without-a"), "no-datum");
        else if (roots > 1)
          issue(
            ["features", i],
            t("there-must-be-one-root-would-be", { feature: feature.name }),
            "two-roots",
          );
        return;
      }
      if (!cache.has(feature.from))
        issue(["features", i, "from"], t("datum-must-be-a-listed-feature"), "unknown-feature");
      if (feature.nominal === undefined)
        issue(["features", i, "nominal"], t("a-feature-with-a-datum-needs-a"), "no-nominal");
      if (feature.error === undefined)
        issue(["features", i, "error"], t("a-feature-with-a-datum-needs-an"), "no-error");
      let at: string | undefined = feature.from;
      for (let steps = 0; at !== undefined && steps <= features.length; steps++) {
        if (at === feature.name) {
          issue(["features", i, "from"], t("would-be-made-from-itself", { feature: feature.name }), "loop");
          break;
        }
        at = cache.get(at);
      }
    });
    if (roots === 0) issue(["features"], t("one-feature-must-be-the-root-without"), "no-root");
    between.forEach((pair, i) => {
      for (const side of ["from", "to"] as const)
        if (!cache.has(pair[side]))
          issue(["between", i, side], t("a-pair-must-join-two-listed-features"), "unknown-feature");
    });
  });

export type StackInput = z.output<typeof zStackInput>;

/** The distance between two features as made: nominal, worst case and root-sum-square error. */
export interface Stacked {
  readonly from: string;
  readonly to: string;
  readonly nominal: Length;
  readonly worst: Length;
  /** Micrometres, not rounded: a statistical sum is not a whole number. */
  readonly rss: number;
}

interface Stack {
  readonly positions: Readonly<Record<string, Length>>;
  readonly between: readonly Stacked[];
}

/**
 * How errors add up along the chain of datums: each feature but the root is made at `nominal` behind
 * another, to ± `error`. Between two features only the errors on the path joining them count; what
 * they share cancels. That is why two marks from one datum beat chained marks.
 */
export function stackErrors({ features, between }: StackInput): Stack {
  const byName = new Map(features.map((feature) => [feature.name, feature]));
  const positions = new Map<string, Length>();
  const ancestors = (name: string): string[] => {
    const line: string[] = [];
    for (let at: string | undefined = name; at !== undefined; at = byName.get(at)?.from) line.push(at);
    return line;
  };
  for (const { name } of features) {
    const unplaced = ancestors(name).filter((step) => !positions.has(step));
    for (const step of unplaced.reverse()) {
      const feature = byName.get(step);
      const datum = feature?.from === undefined ? ZERO : mustHold(positions, feature.from);
      positions.set(step, um(datum + (feature?.nominal ?? 0)));
    }
  }
  const joined = ({ from, to }: { from: string; to: string }): Stacked => {
    const back = new Set(ancestors(from));
    const forth = new Set(ancestors(to));
    const path = [...back]
      .filter((name) => !forth.has(name))
      .concat([...forth].filter((name) => !back.has(name)));
    const errors = path.map((name) => byName.get(name)?.error ?? 0);
    return {
      from,
      to,
      nominal: um(mustHold(positions, to) - mustHold(positions, from)),
      worst: um(errors.reduce((sum: number, error) => sum + error, 0)),
      rss: Math.sqrt(errors.reduce((sum: number, error) => sum + error * error, 0)),
    };
  };
  return { positions: Object.fromEntries(positions), between: between.map(joined) };
}
