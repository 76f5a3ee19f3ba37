import { type Length, um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import type { RunSheet, SheetLimit } from "../runsheet/document";
import { isMidRun } from "../runsheet/runsheet";
import { t } from "../words/entry";

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
  const { dimension, name, from, to, nominal, min, max } = limit;
  const create = (id: string) => sheet.features.find((feature) => feature.id === id)?.madeAt ?? -1;
  const check = sheet.checks.find((check) => check.dimension === dimension);
  return {
    id: dimension,
    name,
    length: nominal,
    // Told from what is there first: the other is laid off from it.
    from: nameOf(sheet, create(to) < create(from) ? to : from),
    min,
    max,
    representative: check?.representative ?? sheet.procedure.representative,
  };
};

/**
 * What is prepared of a cable that ends in an entry, in the order of its sheet.
 * @example preparedRows(sheet).length // 7
 */
export const preparedRows = (sheet: RunSheet): PreparedRow[] =>
  sheet.limits.filter(({ dimension }) => dimension !== "seal-depth").map((limit) => rowOf(sheet, limit));

/** Lengths that a cable with both edges has in place of: the two from the centre mark say it. */
const OF_THE_EDGES: readonly string[] = ["opening", "half", "tube"];

/**
 * The same of a cable that goes through: both edges from the centre mark, then what lies inside of each, alike on either
 * side.
 * @param sheet its own, opened in mid-run; where the entry has none for it, that of one that ends.
 * @param half from the centre mark to either edge.
 * @example throughRows(sheet, um(300_000)).slice(0, 2).map(({ length }) => length) // [-300000, 300000]
 */
export function throughRows(sheet: RunSheet, half: number): PreparedRow[] {
  const ends = mustHoldAt(sheet.features, 0).name;
  const stated = sheet.limits.find(({ dimension }) => dimension === "half");
  const limits = stated?.nominal === half ? stated : null;
  const edge = (id: string, name: string, side: 1 | -1): PreparedRow => ({
    id,
    name,
    length: um(side * half),
    from: t("centre-mark"),
    min: limits?.min ?? null,
    max: limits?.max ?? null,
    representative: sheet.procedure.representative,
  });
  return [
    edge("upstream", t("sheath-edge-upstream"), -1),
    edge("downstream", t("sheath-edge-downstream"), 1),
    ...preparedRows(sheet)
      .filter(({ id, from }) => !OF_THE_EDGES.includes(id) && (isMidRun(sheet) || from !== ends))
      .map((row) => (row.from.endsWith("edge") ? { ...row, from: `either ${row.from}` } : row)),
  ];
}

/**
 * From edge to edge as a sheet of a cable that goes through opens it.
 * @example openingOf(sheet) // 0
 */
export const openingOf = (sheet: RunSheet): number =>
  2 * (sheet.limits.find(({ dimension }) => dimension === "half")?.nominal ?? 0);
