import { type Outcome, ok, refuse } from "../problem/problem";
import { say } from "../words/core";

/** A glow as it is told apart by eye. */
type Glow = "dark" | "faint" | "bright";

/** Shares of the full glow under which a joint looks dark, or faint (common practice, no source). */
const DARK_UNDER = 5;
const FAINT_UNDER = 50;

/**
 * A glow by its share of the full one, per cent.
 * @example glowOf(18) // "faint"
 */
export function glowOf(percent: number): Glow {
  if (percent < DARK_UNDER) return "dark";
  return percent < FAINT_UNDER ? "faint" : "bright";
}

const FORM = /^glow\s+(\S+)\s*%$/i;
const LONGEST = 40;

/**
 * Reads a line of the stand-in for a fault light: `glow 18 %`, the share of the full glow. The form is our own, described in
 * `docs/formats.md`.
 * @returns a refusal that says what is wrong with the line, `bad-input`.
 * @example parseGlowLine("glow 18 %") // { ok: true, value: 18 }
 */
export function parseGlowLine(text: string): Outcome<number> {
  const line = text.trim();
  const [, share] = line.length <= LONGEST ? (FORM.exec(line) ?? []) : [];
  if (share === undefined)
    return refuse("bad-input", say("a-glow-line-has-another-form", { line: line.slice(0, LONGEST) }));
  const percent = /^\d{1,3}$/.test(share) ? Number(share) : Number.NaN;
  return percent <= 100
    ? ok(percent)
    : refuse("bad-input", say("a-glow-is-0-to-100", { share: share.slice(0, 20) }));
}

/**
 * A line of a simulated fault light, from two numbers between 0 and 1: before the fibre is seated the joint glows fully; seated
 * it dims, but for about one in six that is not home. Invented, for practice.
 * @example simulatedGlow(false, [0.5, 0.5]) // "glow 95 %"
 */
export function simulatedGlow(isSeated: boolean, [x, y]: readonly [number, number]): string {
  const isHome = isSeated && x <= 5 / 6;
  const percent = isHome ? 2 + 20 * y : 90 + 10 * y;
  return `glow ${Math.round(percent)} %`;
}
