import { z } from "zod";
import { coded } from "../problem/codes";
import { InputError } from "../problem/problem";
import { said, say } from "../words/core";

declare const micrometres: unique symbol;

/** A length along the cable, in whole micrometres. Never a bare number: make one with `um`, `mm` or `parseLength`. */
export type Length = number & { readonly [micrometres]: true };

/** Micrometres in an inch: 25.4 mm exactly (NIST SP 811, appendix B). */
export const UM_PER_INCH = 25_400;

/** The largest length any field takes: 1 000 km, in millimetres. */
export const MM_LIMIT = 1e9;

const isLength = (value: number): value is Length => Number.isSafeInteger(value);

/**
 * A length from whole micrometres.
 * @throws InputError when not a whole number.
 * @example um(48_500) // 48500
 */
export function um(value: number): Length {
  const whole = value === 0 ? 0 : value;
  if (!isLength(whole))
    throw new InputError("not-micrometres", say("is-not-a-whole-number-of-micrometres", { value }));
  return whole;
}

export const ZERO = um(0);

/** How many decimals a finite number carries in its shortest written form. */
function decimals(value: number): number {
  const [mantissa = "", exponent = "0"] = String(Math.abs(value)).split("e");
  const fraction = mantissa.split(".")[1]?.length ?? 0;
  return Math.max(0, fraction - Number(exponent));
}

/** Whether a number of millimetres is finite, in range and no finer than a micrometre. */
function isMm(value: number): boolean {
  return Number.isFinite(value) && Math.abs(value) <= MM_LIMIT && decimals(value) <= 3;
}

/**
 * A length from millimetres with at most three decimals.
 * @throws InputError when finer than a micrometre or out of range.
 * @example mm(9.525) // 9525
 */
export function mm(value: number): Length {
  if (!isMm(value))
    throw new InputError(
      "not-a-length",
      say("is-not-a-length-in-millimetres-at", { value, mmLimit: MM_LIMIT }),
    );
  return um(Math.round(value * 1000));
}

/**
 * Millimetres, for the outside: at most three decimals.
 * @example toMm(um(48_500)) // 48.5
 */
export const toMm = (length: number): number => length / 1000;

export const plus = (a: Length, b: Length): Length => um(a + b);
export const minus = (a: Length, b: Length): Length => um(a - b);
export const negate = (a: Length): Length => um(-a);

/** A length as it lies inside: whole micrometres, already made by one of the functions above. */
const zInside = z.custom<Length>((value) => Number.isSafeInteger(value));

/** A length at the edge, both ways: a number of millimetres outside, whole micrometres inside. */
export const zMm = z.codec(
  z
    .number(said("a-length-must-be-a-number-of"))
    .refine((value) => Number.isFinite(value) && Math.abs(value) <= MM_LIMIT, {
      ...said("a-length-must-be-within-mm", { mmLimit: MM_LIMIT }),
      params: coded("length-range"),
      abort: true,
    })
    .refine((value) => decimals(value) <= 3, {
      ...said("a-length-must-have-at-most-three"),
      params: coded("too-fine"),
      abort: true,
    }),
  zInside,
  { decode: (value) => um(Math.round(value * 1000)), encode: toMm },
);

/** A length as it is stored: a whole number of micrometres on either side. */
export const zUm = z.codec(z.int(said("a-stored-length-must-be-whole-micrometres")), zInside, {
  decode: (value) => um(value),
  encode: (value) => value,
});

/** A figure that is no whole number of micrometres (a mean, a standard uncertainty): micrometres inside, millimetres outside. */
export const zMmExact = z.codec(z.number(said("a-length-must-be-a-number-of")), z.number(), {
  decode: (value) => value * 1000,
  encode: toMm,
});

/** A length that is not negative: a tolerance, an error, a diameter. */
export const zMmNotNegative = zMm.refine((value) => value >= 0, {
  ...said("this-length-cannot-be-negative"),
  params: coded("negative"),
});
