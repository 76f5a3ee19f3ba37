import { mustHoldAt } from "../problem/held";
/** The twelve colours by which fibres, tubes and ribbons are distinguished, in order, with their two-letter codes. */
export const FIBRE_COLOURS = [
  { code: "BL", name: "blue" },
  { code: "OR", name: "orange" },
  { code: "GR", name: "green" },
  { code: "BR", name: "brown" },
  { code: "SL", name: "slate" },
  { code: "WH", name: "white" },
  { code: "RD", name: "red" },
  { code: "BK", name: "black" },
  { code: "YL", name: "yellow" },
  { code: "VI", name: "violet" },
  { code: "RS", name: "rose" },
  { code: "AQ", name: "aqua" },
] as const;

export type FibreColour = (typeof FIBRE_COLOURS)[number];

/**
 * The colour of the nth fibre of a cable, counted from 1; the order starts again after twelve (TIA-598, from memory).
 * @example fibreColour(14).name // "orange"
 */
export const fibreColour = (n: number): FibreColour =>
  mustHoldAt(FIBRE_COLOURS, (n - 1) % FIBRE_COLOURS.length);
