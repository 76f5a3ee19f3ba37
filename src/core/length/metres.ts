import { type Length, um } from "./length";
import { parseLength } from "./parse";

/** Micrometres in a metre. */
const METRE = 1e6;

/** The longest length typed in metres. */
const LONGEST = um(999_999 * METRE);

/** A length nobody has said. */
export const UNSAID = um(-1);

/**
 * What was typed as metres, with a point or a comma, to the millimetre; or with a unit of its own, feet and inches too.
 * @returns micrometres; null where it is no length, or a negative one.
 * @example ["212,04", "3 ft", "-1"].map(readMetres) // [212040000, 914400, null]
 */
export function readMetres(text: string): Length | null {
  const plain = text.trim().replace(",", ".");
  if (/^\d{1,6}(\.\d{0,3})?$/.test(plain)) return um(Math.round(Number(plain) * 1000) * 1000);
  if (!/[a-zµ'"′″’”]/i.test(plain)) return null;
  const read = parseLength(text, { unit: "mm", max: LONGEST });
  return read.ok ? read.value.length : null;
}

/**
 * The same where nothing typed is a length nobody has said.
 * @example ["", "2"].map(readMetresOrNone) // [-1, 2000000]
 */
export const readMetresOrNone = (text: string): Length | null =>
  text.trim() === "" ? UNSAID : readMetres(text);

/**
 * A percentage that was typed, from 0 to 100; null where it is none.
 * @example ["2,5", "101", ""].map(readPerCent) // [2.5, null, null]
 */
export function readPerCent(text: string): number | null {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && value >= 0 && value <= 100 ? value : null;
}

/**
 * The same as a share of 1.
 * @example readShare("5") // 0.05
 */
export function readShare(text: string): number | null {
  const value = readPerCent(text);
  return value === null ? null : value / 100;
}

/**
 * A whole number that was typed, within a limit; null where it is none.
 * @example ["12", "1.5", "13"].map((text) => readCount(text, 12)) // [12, null, null]
 */
export function readCount(text: string, most: number): number | null {
  const plain = text.trim();
  return /^\d{1,4}$/.test(plain) && Number(plain) <= most ? Number(plain) : null;
}
