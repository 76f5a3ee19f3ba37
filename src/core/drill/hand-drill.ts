import { type Length, um } from "../length/length";

/** A mark drawn by eye may lie off by so much: two millimetres, or a twentieth of the length (common practice, no source). */
const [LEAST_OFF, SHARE_OFF] = [2_000, 0.05];

/**
 * The most a mark drawn by eye may lie off its place. Micrometres.
 * @example eyeAllows(um(60_000)) // 3000
 */
export const eyeAllows = (length: Length): Length => um(Math.max(LEAST_OFF, Math.round(length * SHARE_OFF)));

/** Grips of a buffer on the coating inside. */
export const BUFFER_GRIPS = ["tight", "semi-tight"] as const;
export type BufferGrip = (typeof BUFFER_GRIPS)[number];

/**
 * Result of a pull of the scored buffer: its slide on the fibre, micrometres. A tight one holds: the fibre
 * comes with it.
 * @param draw a number from 0 to 1.
 * @example slidesBy("tight", 0.5) // 0
 */
export const slidesBy = (grip: BufferGrip, draw: number): Length =>
  um(grip === "tight" ? 0 : Math.round((5 + draw * 7) * 1_000));

/** Places of a duplex pair, and the two fibres of it. */
export const PAIR_PLACES = ["A", "B"] as const;
export type PairPlace = (typeof PAIR_PLACES)[number];

/**
 * The place a fibre of a pair has at the far end: crossed, so that what sends here is received there (ANSI/TIA-568.3, from
 * memory).
 * @example farPlace("A") // "B"
 */
export const farPlace = (here: PairPlace): PairPlace => (here === "A" ? "B" : "A");
