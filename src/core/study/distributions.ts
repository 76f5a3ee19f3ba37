import chiSquared from "@stdlib/stats-base-dists-chisquare-quantile";
import studentCdf from "@stdlib/stats-base-dists-t-cdf";
import student from "@stdlib/stats-base-dists-t-quantile";

/** The value a chi-squared variable of so many degrees of freedom stays under with probability p. */
export const chiSquaredQuantile = (p: number, freedom: number): number => chiSquared(p, freedom);

/** The value Student's t of so many degrees of freedom stays under with probability p. */
export const studentQuantile = (p: number, freedom: number): number => student(p, freedom);

/** The probability that Student's t of so many degrees of freedom stays under a value. */
export const studentBelow = (t: number, freedom: number): number => studentCdf(t, freedom);
