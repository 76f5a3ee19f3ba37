import { type Length, um } from "../length/length";
import type { ProcedureDocument } from "../procedure/procedure";

type Written = ProcedureDocument["dimensions"][number];

/** Where each feature lies behind the cable end, micrometres; those not placed are missing. */
export type Positions = ReadonlyMap<string, Length>;

/**
 * The feature a dimension ends at when it is laid off from `datum`.
 * @example farEnd({ from: "end", to: "mark" }, "end") // "mark"
 */
export const farEnd = ({ from, to }: Pick<Written, "from" | "to">, datum: string): string =>
  datum === to ? from : to;

/**
 * What a dimension is laid off from: the datum it was switched to, else its own.
 * @example workedFrom({ from: "end" }) // "end"
 */
export const workedFrom = ({ from, workFrom }: Pick<Written, "from" | "workFrom">): string =>
  workFrom ?? from;

/**
 * Switches what a dimension is laid off from. Its own datum and limits stay, so that the end is the same and no
 * limit moves; only the figure that is worked to is said from elsewhere.
 * @example switchDatum(mark, "mark").workFrom // undefined
 */
export function switchDatum(dimension: Written, datum: string): Written {
  const { workFrom: _, ...rest } = dimension;
  return datum === dimension.from || datum === dimension.to ? rest : { ...rest, workFrom: datum };
}

/**
 * A dimension's figure as said from `datum`, micrometres; null where one of the two is not placed.
 * @example figureFrom(mark, "end", new Map([["end", 0], ["mark", 48_500]])) // 48500
 */
export function figureFrom(dimension: Written, datum: string, positions: Positions): Length | null {
  const far = positions.get(farEnd(dimension, datum));
  const at = positions.get(datum);
  return far === undefined || at === undefined ? null : um(far - at);
}

/**
 * Sets a dimension's figure as said from `datum`: the nominal moves by as much, its own datum and tolerance stay.
 * @param figure micrometres behind `datum`.
 * @example withFigureFrom(mark, "end", um(50_000), new Map([["end", 0], ["mark", 48_500]])).nominal // 50
 */
export function withFigureFrom(
  dimension: Written,
  datum: string,
  figure: Length,
  positions: Positions,
): Written {
  const now = figureFrom(dimension, datum, positions);
  if (now === null) return dimension;
  const sign = farEnd(dimension, datum) === dimension.to ? 1 : -1;
  const nominal = um(Math.round(dimension.nominal * 1000) + sign * (figure - now));
  return { ...dimension, nominal: nominal / 1000 };
}
