import { type Length, mustHoldAt, type RunSheet, type SheathWindow, type SheetLimit, um } from "@/core";

/** One thing that is prepared of a cable for an entry, as a row of its list. */
export interface PreparedRow {
  readonly id: string;
  readonly name: string;
  readonly length: Length;
  readonly from: string;
  readonly min: Length | null;
  readonly max: Length | null;
  readonly representative: boolean;
}

const nameOf = (sheet: RunSheet, id: string): string =>
  sheet.features.find((feature) => feature.id === id)?.name ?? id;

const rowOf = (sheet: RunSheet, limit: SheetLimit): PreparedRow => {
  const { id, name, from, to, nominal, min, max } = { id: limit.dimension, ...limit };
  // Told from the edge that is there when it is measured: what is cut lies in front of it.
  const datum = to === SHEATH ? (from === mustHoldAt(sheet.features, 0).id ? from : to) : from;
  const check = sheet.checks.find(({ dimension }) => dimension === id);
  return {
    id,
    name,
    length: nominal,
    from: nameOf(sheet, datum),
    min,
    max,
    representative: check?.representative ?? sheet.procedure.representative,
  };
};

const SHEATH = "sheath-edge";

/** What is prepared of a cable that ends in an entry, in the order of its sheet. */
export const preparedRows = (sheet: RunSheet): PreparedRow[] =>
  sheet.limits.filter(({ dimension }) => dimension !== "seal-depth").map((limit) => rowOf(sheet, limit));

/**
 * The same of a cable that goes through: both edges from the centre mark instead of one from the end, then what lies
 * inside of each, alike on either side.
 */
export function throughRows(sheet: RunSheet, window: SheathWindow): PreparedRow[] {
  const half = halfOf(window);
  const edge = (id: string, name: string, length: number): PreparedRow => ({
    id,
    name,
    length: um(length),
    from: "centre mark",
    min: null,
    max: null,
    representative: true,
  });
  return [
    edge("upstream", "sheath edge, upstream", -half),
    edge("downstream", "sheath edge, downstream", half),
    ...preparedRows(sheet)
      .filter(({ id }) => id !== "opening" && id !== "tube")
      .map((row) => (row.from === "sheath edge" ? { ...row, from: "either sheath edge" } : row)),
  ];
}

const MM = 1000;

/** From the centre mark to either edge: half the opening, rounded up to the millimetre so that it is never too short. */
export const halfOf = ({ opening }: SheathWindow): number => Math.ceil((opening / 2 - 1e-3) / MM) * MM;

/** From edge to edge as a sheet of a cable that goes through opens it. */
export const openingOf = (sheet: RunSheet): number =>
  2 * (sheet.limits.find(({ dimension }) => dimension === "half")?.nominal ?? 0);
