import { z } from "zod";
import { mustHoldAt } from "../problem/held";
import { said } from "../words/core";
import { FIBRE_COLOURS } from "./colours";

const CODES = FIBRE_COLOURS.map(({ code }) => code);
const zCode = z.enum(CODES, said("colour-must-be-one-of", { codes: CODES.join(", ") }));

/** What somebody sees on an element in the hand: its colour and tracers, or that it cannot be worked out. */
const zSeenElement = z.union([
  z.literal("doubtful"),
  z.strictObject({ code: zCode, tracers: z.int().min(0).max(9) }),
]);
export type SeenElement = z.output<typeof zSeenElement>;

/** What was seen of a fibre before it was parted: null where it was not looked at any more. */
export const zSeenFibre = z.strictObject({
  /** The fibre that was to be in the hand, counted through the cable. */
  number: z.int().min(1).max(6_912),
  tube: zSeenElement.nullable(),
  fibre: zSeenElement.nullable(),
});
export type SeenFibre = z.output<typeof zSeenFibre>;

const seenText = (seen: SeenElement | null): string => {
  if (seen === null) return "not said";
  if (seen === "doubtful") return "not to be told";
  return seen.tracers > 0 ? `${seen.code} ${seen.tracers} tr` : seen.code;
};

/**
 * `fibre 8: tube OR, fibre BL`: what was seen, as it is shown.
 * @example seenFibreText({ number: 14, tube: null, fibre: { code: "OR", name: "orange" } })
 * // "fibre 14: tube not said, fibre OR"
 */
export const seenFibreText = ({ number, tube, fibre }: SeenFibre): string =>
  `fibre ${number}: tube ${seenText(tube)}, fibre ${seenText(fibre)}`;

/**
 * Every fibre that was looked at, the last time it was.
 * @example lastSeen([]) // []
 */
export const lastSeen = (all: readonly SeenFibre[]): SeenFibre[] =>
  [...new Map(all.map((seenElement) => [seenElement.number, seenElement])).keys()].map((number) => {
    const of = all.filter((seenElement) => seenElement.number === number);
    return mustHoldAt(of, of.length - 1);
  });
