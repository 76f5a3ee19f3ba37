import type { Index } from "@/core";
import { t } from "@/messages/aim";

/** Limits this many times as wide as the ends spread leave room for a bad day (common practice, no source). */
const ROOMY = 1.33;

/**
 * How the ends fill their limits, in words with the figure behind them: how often three standard deviations fit between
 * the middle (or, as it is aimed, the mean) and the nearer limit, with what is sure of it.
 */
export function fitWords({ value, low, high }: Index, of: "spread" | "aim"): string {
  const subject =
    value < 1
      ? of === "spread"
        ? t("wider-than-the-limits")
        : t("some-will-be-out")
      : value < ROOMY
        ? t("just-fits-the-limits")
        : t("fits-with-room-to-spare");
  return t("times-surely-to", {
    what: subject,
    value: value.toFixed(2),
    value2: low.toFixed(2),
    value3: high.toFixed(2),
  });
}
