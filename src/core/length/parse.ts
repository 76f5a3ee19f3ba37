import { mustHoldAt } from "../problem/held";
import { type Outcome, ok, refuse } from "../problem/problem";
import { say } from "../words/core";
import { type Length, MM_LIMIT, UM_PER_INCH, um } from "./length";

type Unit = "mm" | "in";

/** A length as somebody wrote it: its value, the unit they used and how finely it was written. */
export interface WrittenLength {
  readonly length: Length;
  readonly unit: "µm" | "mm" | "cm" | "m" | "in" | "ft";
  /** Half of the last place written, in micrometres: how far rounding alone may be off. */
  readonly rounding: number;
}

interface ParseOptions {
  /** What a bare number means. A bare fraction always means inches. */
  readonly unit: Unit;
  /** Least and greatest length taken. Default 0 and 1 000 km. */
  readonly min?: Length;
  readonly max?: Length;
}

const METRIC = { µm: 1, mm: 1_000, cm: 10_000, m: 1_000_000 } as const;
const isMetric = (unit: string): unit is keyof typeof METRIC => Object.hasOwn(METRIC, unit);
const FRACTIONS: Record<string, string> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};
const NUMBER = String.raw`\d+(?:[.,]\d+)?|[.,]\d+`;
const FRACTION = String.raw`(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*/\s*(\d+)`;
const METRIC_LENGTH = new RegExp(String.raw`^(${NUMBER})\s*(µm|um|mm|cm|m)?$`);
const INCH_LENGTH = new RegExp(
  String.raw`^(?:(${NUMBER})\s*ft\s*-?\s*)?(?:(?:${FRACTION}|(${NUMBER}))\s*(?:in)?)?$`,
);

/** Trade practice: a whole or fractional inch on a card is cut to the nearest sixteenth (common practice, no source). */
const CARD_INCH_DENOMINATOR = 16;

/**
 * Reads a length as a technician writes it: mm, cm, m, µm; decimal and fractional inches; feet.
 * A decimal comma is taken; `1,500` is refused because it can be read two ways.
 * @returns the length to the nearest micrometre, or a problem worded for the person.
 * @example parseLength("2-1/4 in", { unit: "mm" })
 * // { ok: true, value: { length: 57150, unit: "in", rounding: 793.75 } }
 */
export function parseLength(text: string, options: ParseOptions): Outcome<WrittenLength> {
  const clean = tidy(text);
  if (clean === "") return refuse("empty", say("enter-a-length-for-example-42-5"));
  if (clean.length > 40) return refuse("not-a-length", say("this-text-is-too-long-for-one"));
  const negative = /^[-−]\s*/.exec(clean);
  const body = negative ? clean.slice(negative[0].length) : clean;
  if (/\d,\d*\.|\d\.\d*,/.test(body))
    return refuse("two-separators", say("has-both-a-comma-and-a-point", { text: text.trim() }));
  if (/(?:^|\D)[1-9]\d{0,2},\d{3}(?!\d)/.test(body)) {
    const [a = "", b = ""] = body.split(",");
    return refuse("ambiguous-comma", say("can-be-read-two-ways-write-or", { text: text.trim(), a, b }));
  }
  const written = metric(body, options.unit) ?? inches(body, options.unit);
  if (written === null)
    return refuse("not-a-length", say("is-not-a-length-write-42-5", { text: text.trim() }));
  if (!written.ok) return written;
  return inRange(negative ? { ...written.value, length: um(-written.value.length) } : written.value, options);
}

function tidy(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (glyph) => ` ${FRACTIONS[glyph]}`)
    .replace(/[μ]/g, "µ")
    .replace(/[⁄]/g, "/")
    .replace(/''|["″”]|\binch(?:es)?\b|\binches\b/g, " in")
    .replace(/(\d)\s*(?:inches|inch|in\.?)$/g, "$1 in")
    .replace(/['′’]|\bfeet\b|\bfoot\b|\bft\./g, " ft ")
    .replace(/(\d)ft\b/g, "$1 ft ")
    .replace(/\s+/g, " ")
    .trim();
}

interface Decimal {
  readonly digits: bigint;
  readonly places: number;
}

function decimal(text: string): Decimal {
  const [whole = "", fraction = ""] = text.replace(",", ".").split(".");
  return { digits: BigInt(`${whole}${fraction}` || "0"), places: fraction.length };
}

function metric(body: string, bare: Unit): Outcome<WrittenLength> | null {
  const match = METRIC_LENGTH.exec(body);
  if (!match || (match[2] === undefined && bare === "in")) return null;
  const unit = match[2] === "um" ? "µm" : (match[2] ?? "mm");
  if (!isMetric(unit)) return null;
  const { digits, places } = decimal(mustHoldAt(match, 1));
  const scaled = digits * BigInt(METRIC[unit]);
  const power = 10n ** BigInt(places);
  if (scaled % power !== 0n) return refuse("too-fine", say("is-finer-than-a-micrometre-enter-at", { body }));
  return ok({ length: bounded(scaled / power), unit, rounding: METRIC[unit] / 10 ** places / 2 });
}

function inches(body: string, bare: Unit): Outcome<WrittenLength> | null {
  const match = INCH_LENGTH.exec(body);
  if (!match) return null;
  const [, feet, whole, over, under, plain] = match;
  if (feet === undefined && over === undefined && plain === undefined) return null;
  if (plain !== undefined && feet === undefined && bare === "mm" && !body.endsWith("in")) return null;
  if (under !== undefined && BigInt(under) === 0n)
    return refuse("over-zero", say("divides-by-zero-enter-a-fraction-such", { body }));
  const parts: [bigint, bigint][] = [];
  if (feet !== undefined) parts.push(ratio(decimal(feet), 12n));
  if (over !== undefined && under !== undefined)
    parts.push([BigInt(over), BigInt(under)], [BigInt(whole ?? 0), 1n]);
  if (plain !== undefined) parts.push(ratio(decimal(plain), 1n));
  const [top, bottom] = parts.reduce(([a, b], [c, d]) => [a * d + c * b, b * d], [0n, 1n]);
  const scaled = top * BigInt(UM_PER_INCH);
  const length = bounded((2n * scaled + bottom) / (2n * bottom));
  return ok({
    length,
    unit: over === undefined && plain === undefined ? "ft" : "in",
    rounding: inchRounding(plain, under),
  });
}

const ratio = ({ digits, places }: Decimal, times: bigint): [bigint, bigint] => [
  digits * times,
  10n ** BigInt(places),
];

function inchRounding(plain: string | undefined, under: string | undefined): number {
  const places = plain ? decimal(plain).places : 0;
  if (places > 0) return UM_PER_INCH / 10 ** places / 2;
  return UM_PER_INCH / Math.max(CARD_INCH_DENOMINATOR, Number(under ?? 0)) / 2;
}

function bounded(value: bigint): Length {
  const limit = BigInt(MM_LIMIT) * 1000n;
  return um(Number(value > limit ? limit + 1n : value));
}

function inRange(
  written: WrittenLength,
  { min = um(0), max = um(MM_LIMIT * 1000) }: ParseOptions,
): Outcome<WrittenLength> {
  if (written.length < min)
    return min === 0
      ? refuse("negative", say("this-length-must-be-0-or-more"))
      : refuse("too-short", say("enter-at-least-mm", { value: min / 1000 }));
  if (written.length > max) return refuse("too-long", say("enter-at-most-mm", { value: max / 1000 }));
  return ok(written);
}
