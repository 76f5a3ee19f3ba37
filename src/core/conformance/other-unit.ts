import type { Length } from "../length/length";

/**
 * Whether a length out of its limits would be in had it been read in the other unit: 25.4 mm are an inch (NIST SP 811).
 * @param typed the unit it was taken to be in.
 * @example fitsInOtherUnit({ min: um(25_000), max: um(26_000) }, um(1_000), "mm") // true
 */
export function fitsInOtherUnit(
  { min, max }: { readonly min: Length | null; readonly max: Length | null },
  length: Length,
  typed: "mm" | "in",
): boolean {
  const other = typed === "in" ? length / 25.4 : length * 25.4;
  return (min === null || other >= min) && (max === null || other <= max);
}
