import { type Length, UM_PER_INCH, um } from "./length";

/** A length as a fraction of an inch, and the error that rounding to it makes. */
interface InchFraction {
  /** `1 29/32`, `3/8`, `2`, `0`; a minus sign in front when negative. */
  readonly text: string;
  /** The length the fraction stands for. */
  readonly length: Length;
  /** Fraction less true length, micrometres: positive when the fraction is longer. */
  readonly error: Length;
}

/**
 * Millimetres with a point: at least one decimal, more only where the length has them.
 * @example formatMm(um(48_500)) // "48.5"
 */
export function formatMm(length: number, least = 1): string {
  const text = (Math.abs(length) / 1000).toFixed(3);
  const trimmed = text.replace(new RegExp(`0{1,${3 - least}}$`), "");
  return `${length < 0 ? "−" : ""}${trimmed.replace(/\.$/, "")}`;
}

const METRIC = { µm: 1, mm: 1_000, cm: 10_000, m: 1_000_000 } as const;

/**
 * A length in a unit, with its unit: exact and without idle zeros in metric; to three decimals in inches.
 * @example formatLength(um(952_500), "m") // "0.9525 m"
 */
export function formatLength(length: Length, unit: keyof typeof METRIC | "in" | "ft"): string {
  if (unit === "in") return `${formatInch(length)} in`;
  if (unit === "ft") return feet(length);
  const places = Math.log10(METRIC[unit]);
  const text = (Math.abs(length) / METRIC[unit])
    .toFixed(places)
    .replace(/\.?0+$/, (zeros) => (zeros.startsWith(".") || places > 0 ? "" : zeros));
  return `${length < 0 ? "−" : ""}${text} ${unit}`;
}

/** Feet and inches to the nearest sixteenth: `1 ft 6 1/2 in`. */
function feet(length: Length): string {
  const sixteenths = Math.round((Math.abs(length) * 16) / UM_PER_INCH);
  return `${length < 0 ? "−" : ""}${Math.floor(sixteenths / 192)} ft ${fractionText(sixteenths % 192, 16)} in`;
}

/**
 * Decimal inches to three places, which is 0.0254 mm: finer than any rule.
 * @example formatInch(um(25_400)) // "1.000"
 */
export function formatInch(length: number): string {
  return `${length < 0 ? "−" : ""}${(Math.abs(length) / UM_PER_INCH).toFixed(3)}`;
}

/**
 * The nearest sixteenth, thirty-second or sixty-fourth of an inch, in lowest terms.
 * @returns its text, its length, and the error it makes (positive: the fraction is longer).
 * @example nearestFraction(um(48_500), 16).text // "1 15/16"
 */
export function nearestFraction(length: Length, denominator: 16 | 32 | 64): InchFraction {
  const parts = Math.round((Math.abs(length) * denominator) / UM_PER_INCH);
  const sign = length < 0 ? -1 : 1;
  const rounded = um(sign * Math.round((parts * UM_PER_INCH) / denominator));
  return {
    text: `${sign < 0 && parts ? "−" : ""}${fractionText(parts, denominator)}`,
    length: rounded,
    error: um(rounded - length),
  };
}

function fractionText(parts: number, denominator: number): string {
  const whole = Math.floor(parts / denominator);
  let top = parts % denominator;
  let bottom = denominator;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return String(whole);
  return whole ? `${whole} ${top}/${bottom}` : `${top}/${bottom}`;
}

/** Whether working to a fraction instead of the length stays inside its tolerance; null leaves a side open. */
export function errorFits(error: Length, plus: Length | null, minus: Length | null): boolean {
  return (plus === null || error <= plus) && (minus === null || error >= -minus);
}

const half = (tolerance: Length | null): Length | null =>
  tolerance === null ? null : um(Math.floor(tolerance / 2));

/**
 * The coarsest of 1/16, 1/32, 1/64 whose rounding takes no more than half of the tolerance, so that the hand
 * keeps the rest (common practice, no source); the sixty-fourth when none does, with whether it fits at all.
 * @example workingFraction(um(48_500), um(1_000), um(1_000)).text // "1 29/32"
 */
export function workingFraction(
  length: Length,
  plus: Length | null,
  minus: Length | null,
): InchFraction & { readonly fits: boolean } {
  for (const denominator of [16, 32] as const) {
    const fraction = nearestFraction(length, denominator);
    if (errorFits(fraction.error, half(plus), half(minus))) return { ...fraction, fits: true };
  }
  const finest = nearestFraction(length, 64);
  return { ...finest, fits: errorFits(finest.error, plus, minus) };
}
