import type { Length } from "../length/length";
import { layingOrder } from "./laying";
import { laidIn, type SpliceLaid, slotAt, type TraySet } from "./tray-set";

interface PlannedSplice {
  readonly id: string;
  /** Tray and slot, `2.5`; null for a splice without a slot. */
  readonly slot: string | null;
  /** Fibre from the tray's edge to the splice; null goes by the trays. */
  readonly lengths: { readonly a: Length | null; readonly b: Length | null };
}

/** A splice on the list of its tray. */
interface TrayLine<S extends PlannedSplice> {
  readonly splice: S;
  /** Its number in the plan, from 1. */
  readonly number: number;
  readonly slot: string;
  /** Its steps in the order of laying, from 1: its sleeve, then its loops. */
  readonly steps: readonly number[];
  readonly laid: SpliceLaid | null;
}

/** The splices of one tray, slot by slot. */
export interface TrayList<S extends PlannedSplice> {
  readonly tray: number;
  readonly lines: readonly TrayLine<S>[];
}

/**
 * The list of each tray in use: its splices in the order of the slots, each with its steps of laying and its turns and trims.
 * Splices without a slot are on no list.
 * @example trayLists(dome.trays, [{ id: "f", slot: "1.1", lengths: { a: null, b: null } }])[0].lines[0].steps // [1, 2]
 */
export function trayLists<S extends PlannedSplice>(trays: TraySet, splices: readonly S[]): TrayList<S>[] {
  const rows = splices.flatMap((splice, i) => {
    const place = splice.slot === null ? null : slotAt(trays, splice.slot);
    if (!place) return [];
    const { a, b } = splice.lengths;
    const laid = laidIn(trays, place.slot, { a: a ?? trays.fibre, b: b ?? trays.fibre });
    return [{ ...place, splice, number: i + 1, laid }];
  });
  const order = (slot: string) => trays.slots.findIndex(({ id }) => id === slot);
  return [...new Set(rows.map(({ tray }) => tray))]
    .sort((a, b) => a - b)
    .map((tray) => {
      const own = rows.filter((row) => row.tray === tray).sort((a, b) => order(a.slot) - order(b.slot));
      const steps = layingOrder(
        trays,
        own.map(({ splice, slot, laid }) => ({ id: splice.id, slot, laid })),
      );
      const stepsOf = (id: string) => steps.flatMap((step, i) => (step.splice === id ? i + 1 : []));
      return {
        tray,
        lines: own.map(({ tray: _, ...row }) => ({ ...row, steps: stepsOf(row.splice.id) })),
      };
    });
}
