import type { Index } from "@/core";

/** Limits this many times as wide as the ends spread leave room for a bad day (common practice, no source). */
const ROOMY = 1.33;

/**
 * How the ends fill their limits, in words with the figure behind them: how often three standard deviations fit between
 * the middle (or, as it is aimed, the mean) and the nearer limit, with what is sure of it.
 */
export function fitWords({ value, low, high }: Index, of: "spread" | "aim"): string {
  const what =
    value < 1
      ? of === "spread"
        ? "wider than the limits"
        : "some will be out"
      : value < ROOMY
        ? "just fits the limits"
        : "fits with room to spare";
  return `${what} (${value.toFixed(2)} times; surely ${low.toFixed(2)} to ${high.toFixed(2)})`;
}
