import type { Cable } from "../cable/cable";
import { holds, type Picked } from "../procedure/condition";
import type { Confirmation, Procedure, StatedDimension } from "../procedure/procedure";

/** A dimension with the figures that hold for a cable, and whether those are still nobody's own. */
export interface Stated extends StatedDimension {
  /** Index of the case used, or null for the figures of the dimension itself. */
  readonly caseIndex: number | null;
  readonly representative: boolean;
  /** How the figure was held against the part's sheet, where that is known. */
  readonly confirmation?: Confirmation | undefined;
}

/** Name under which a length's confirmation is kept: `jacket`, or `jacket/0` for its first case. */
export const figureKey = (dimension: string, caseIndex: number | null): string =>
  caseIndex === null ? dimension : `${dimension}/${caseIndex}`;

/**
 * Whether a figure was never held against the part's sheet: everything in a representative procedure; in one
 * of the user's own that says what was confirmed, all the rest.
 */
export const isRepresentative = ({ source, confirmed }: Procedure, key: string): boolean =>
  source.kind === "representative" || (confirmed !== undefined && !confirmed.includes(key));

/** How a figure was held against the part's sheet; undefined where nobody did, or did not say. */
export function confirmationOf({ confirmations }: Procedure, key: string): Confirmation | undefined {
  const match = confirmations?.find((confirmation) => confirmation.key === key);
  if (!match) return undefined;
  const { key: _, ...confirmation } = match;
  return confirmation;
}

/** The dimensions that hold for a cable and what was picked, each with its own figures. */
export const figuresFor = (
  { dimensions }: Pick<Procedure, "dimensions">,
  cable: Cable,
  picked: Picked,
): Omit<Stated, "representative" | "confirmation">[] =>
  dimensions
    .filter((dimension) => holds(dimension.when, cable, picked))
    .map((dimension) => {
      const caseIndex = dimension.cases.findIndex(({ when }) => holds(when, cable, picked));
      const { nominal, plus, minus } = dimension.cases[caseIndex] ?? dimension;
      return { ...dimension, nominal, plus, minus, caseIndex: caseIndex < 0 ? null : caseIndex };
    });
