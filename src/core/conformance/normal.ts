import erfc from "@stdlib/math-base-special-erfc";

/** Area of the standard normal distribution above z, with its digits kept in both tails. */
export const normalAbove = (z: number): number => erfc(z / Math.SQRT2) / 2;

/** Area of the standard normal distribution between two values, keeping digits when both lie in one tail. */
export function normalBetween(low: number, high: number): number {
  return low > 0 ? normalAbove(low) - normalAbove(high) : normalAbove(-high) - normalAbove(-low);
}
