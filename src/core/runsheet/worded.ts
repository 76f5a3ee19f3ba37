import { formatMm } from "../length/format";
import { type Length, um } from "../length/length";
import type { ProcedurePart } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import type { Stated } from "./stated";

type Figures = readonly Pick<Stated, "id" | "nominal" | "plus" | "minus">[];

/**
 * How many turns of a loop there is room for: no fewer than none, no more than the storage takes. Figures at their shortest.
 */
export function turnsThatFit(
  { along, share, path, perimeter, most }: NonNullable<Step["turns"]>,
  figures: Figures,
): number {
  const stored = figures.find(({ id }) => id === along);
  if (!stored || perimeter === 0) return 0;
  const shortest = share * (stored.nominal - (stored.minus ?? 0)) - path;
  return Math.min(most, Math.max(0, Math.floor(shortest / perimeter)));
}

/**
 * How far what shrinks reaches over coating or buffer on each side, centred over the bare glass at its longest, micrometres;
 * null where its length or the glass is not known.
 */
export function holdOf(
  { part: id, bare, beyond }: NonNullable<Step["covers"]>,
  figures: Figures,
  parts: readonly Pick<ProcedurePart, "id" | "length">[],
): Length | null {
  const length = parts.find((part) => part.id === id)?.length;
  const glass = figures.find((figure) => figure.id === bare);
  if (length === undefined || !glass) return null;
  return um(Math.floor((length - glass.nominal - (glass.plus ?? 0) - beyond) / 2));
}

/** Down to a tenth of a millimetre: never shown longer than it is. */
const tenths = (length: Length): string => formatMm(um(Math.floor(length / 100) * 100));

/** A step whose text says figures that follow from others: turns that fit, what a sleeve reaches over. */
export function worded(step: Step, figures: Figures, parts: readonly ProcedurePart[]): Step {
  const how = step.turns ? turnsIn(step.how, step.turns, figures) : step.how;
  const hold = step.covers ? holdOf(step.covers, figures, parts) : null;
  const sentence = hold === null ? how : how.replaceAll("{hold}", tenths(hold));
  return sentence === step.how ? step : { ...step, how: sentence };
}

function turnsIn(how: string, stored: NonNullable<Step["turns"]>, figures: Figures): string {
  const fit = turnsThatFit(stored, figures);
  const { least } = stored;
  const turns = fit > least && least > 0 ? `${least} to ${fit} turns` : fit === 1 ? "1 turn" : `${fit} turns`;
  return how.replaceAll("{turns}", turns);
}
