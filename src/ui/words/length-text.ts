import {
  formatInch,
  formatMm,
  type Length,
  nearestFraction,
  type RunSheet,
  um,
  workingFraction,
} from "@/core";
import { decimal } from "@/messages/numbers";
import { t } from "@/messages/words";
import type { Prefs } from "../prefs/prefs";

export type Units = Prefs["units"];

/** A length as it is shown: the main figure, its unit, and the other unit beside it where both are asked for. */
export interface Shown {
  readonly main: string;
  readonly unit: "mm" | "in";
  readonly beside: string | null;
  /** What rounding to the fraction shown adds, millimetres with a sign; null where it adds nothing to speak of. */
  readonly rounding: string | null;
}

/** How far a fraction may stray from a length nobody gave a tolerance, as a share of it, before decimals are shown. */
const STRAY = 0.05;

/** How far a length may be off, either way; null where a side is open. */
export interface Tolerance {
  readonly plus: Length | null;
  readonly minus: Length | null;
}

const OPEN: Tolerance = { plus: null, minus: null };

/** Nobody reads or cuts a length closer than a hundredth of a millimetre: no third decimal is shown. */
const SHOWN = 10;
export const mmText = (length: number): string => exactMm(Math.round(length / SHOWN) * SHOWN);
/** Millimetres to the micrometre, in the language's decimals. */
export const exactMm = (length: number): string => decimal(formatMm(length));
/** Decimal inches, in the language's decimals. */
export const inchText = (length: number): string => decimal(formatInch(length));

/** The tolerance of a length between limits: one cut is shown by one and the same fraction wherever it stands. */
export const toleranceOf = ({
  nominal,
  min,
  max,
}: {
  readonly nominal: Length;
  readonly min: Length | null;
  readonly max: Length | null;
}): Tolerance => ({
  plus: max === null ? null : um(max - nominal),
  minus: min === null ? null : um(nominal - min),
});

/**
 * Shows a length to work to. In inches the coarsest fraction its tolerance allows; decimals where not even a
 * sixty-fourth is close enough.
 */
export function showLength(length: number, units: Units, tolerance: Tolerance = OPEN): Shown {
  const value = um(Math.round(length));
  const stated = tolerance.plus !== null || tolerance.minus !== null;
  const fraction = stated
    ? workingFraction(value, tolerance.plus, tolerance.minus)
    : { ...nearestFraction(value, 32), fits: true };
  const close = fraction.fits && (stated || Math.abs(fraction.error) <= Math.abs(value) * STRAY);
  const inches = close ? fraction.text : inchText(value);
  const rounding = close && units !== "mm" ? roundingText(fraction.error) : null;
  if (units === "in") return { main: inches, unit: "in", beside: null, rounding };
  return { main: mmText(value), unit: "mm", beside: units === "both" ? `${inches} in` : null, rounding };
}

function roundingText(error: Length): string | null {
  const tenths = Math.round(error / 100) * 100;
  return tenths === 0 ? null : `${tenths > 0 ? "+" : ""}${exactMm(tenths)} mm`;
}

/** One short text: `48.5 mm` or `1 29/32 in`; both where both are asked for. */
export function lengthText(length: number, units: Units, tolerance: Tolerance = OPEN): string {
  const { main, unit, beside } = showLength(length, units, tolerance);
  return beside ? `${main} ${unit} (${beside})` : `${main} ${unit}`;
}

/** The size of a tool or a layer, `0.9 mm (0.035 in)`: inches in decimals, as such sizes are stamped. */
export function sizeText(length: number, units: Units): string {
  const inches = `${inchText(length)} in`;
  if (units === "in") return inches;
  return units === "both" ? t("mm", { formatMm: exactMm(length), inches }) : `${exactMm(length)} mm`;
}

/** The bare figure in the unit in use. */
export const figureText = (length: number, units: Units, tolerance: Tolerance = OPEN): string =>
  showLength(length, units, tolerance).main;

/** `±1.0`, `+1.0 −0.5`, `at least −0.5`, or nothing where both sides are open. */
export function toleranceText(plus: Length | null, minus: Length | null, units: Units): string {
  const write = (length: Length) => (units === "in" ? inchText(length) : mmText(length));
  if (plus === null && minus === null) return "";
  if (plus === minus && plus !== null) return `±${write(plus)}`;
  return [
    plus === null ? t("no-upper-limit") : `+${write(plus)}`,
    minus === null ? t("no-lower-limit") : `−${write(minus)}`,
  ].join(" ");
}

/** `9.0 – 10.0`, `at least 9.0`, `at most 10.0`. */
export function limitsText(min: Length | null, max: Length | null, units: Units): string {
  const write = (length: Length) => (units === "in" ? inchText(length) : mmText(length));
  if (min !== null && max !== null) return `${write(min)} – ${write(max)}`;
  if (min !== null) return t("at-least", { least: write(min) });
  return max === null ? t("not-limited") : t("at-most", { most: write(max) });
}

/** How many people say a core: single-mode 9/125. */
export const coreText = (core: string): string =>
  core === "copper" ? t("copper-conductors") : core === "9/125" ? `single-mode ${core}` : `multimode ${core}`;

/** A style, what was picked of it and the cable it goes on, in a line. */
export const asText = ({
  procedure,
  as,
  picked,
  cable,
}: Pick<RunSheet, "procedure" | "as" | "picked" | "cable">): string =>
  [[procedure.name, ...as].join(" · "), `${cable.name}, ${coreText(picked.core)}`].join(" on ");

/** A difference with its sign, millimetres: `+0.02`. */
export const signedMm = (micrometres: number): string =>
  `${micrometres > 0 ? "+" : ""}${exactMm(micrometres)}`;
