import { z } from "zod";
import { assign, type Offer } from "../assignment/assign";
import { type Length, um, zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { eachOnce } from "../names/once";
import { coded } from "../problem/codes";
import { mustHoldAt } from "../problem/held";
import { said } from "../words/core";
import { leastTrim, reachesOf, zTraySide } from "./loops";

/** The longest fibre on a tray, the most slots and the most splices that are answered. */
const LONGEST = um(1_000_000_000);
const MOST = 500;

const zFibre = zMmNotNegative.refine((length) => length <= LONGEST, {
  ...said("a-fibre-on-a-tray-must-have-at-most", { value: LONGEST / 1_000_000 }),
  params: coded("limit"),
});

export const zTraysInput = z.strictObject({
  slots: z
    .array(z.strictObject({ id: zName, a: zTraySide, b: zTraySide }))
    .max(MOST, said("give-at-most-500-slots"))
    .superRefine(eachOnce("id")),
  bendRadius: zMmNotNegative,
  splices: z
    .array(z.strictObject({ id: zName, a: zFibre, b: zFibre }))
    .max(MOST, said("give-at-most-500-splices"))
    .superRefine(eachOnce("id")),
});

type TraysInput = z.output<typeof zTraysInput>;

interface Placing {
  readonly splice: string;
  /** All null where the splice has no slot. */
  readonly slot: string | null;
  readonly trimA: Length | null;
  readonly trimB: Length | null;
}

interface Trays {
  readonly assignment: readonly Placing[];
  readonly unplaced: readonly string[];
  readonly trim: Length;
}

/** What a splice trims on both sides for a slot. */
interface Trims {
  readonly a: Length;
  readonly b: Length;
}

/**
 * Gives each splice a slot of its own, or none: as few without as can be, then the least trimmed, then the first by the
 * order of the lists. Solved as an assignment with slots and places without a slot as columns, and rows for the slots that
 * stay empty (Kuhn 1955, Munkres 1957); of all best ones, the first by exchanging along alternating paths of offers whose
 * cost is the sum of their potentials (complementary slackness; any text on matching, from memory).
 * @example giveSlots({ slots: [], bendRadius: um(30_000), splices: [{ id: "F1", a: um(900_000), b: um(900_000) }] }).unplaced // ["F1"]
 */
export function giveSlots({ slots, bendRadius, splices }: TraysInput): Trays {
  const sides = slots.map(({ a, b }) => ({ a: reachesOf(a, bendRadius), b: reachesOf(b, bendRadius) }));
  const trims = splices.map((splice) => sides.map((slot) => trimsFor(splice, slot)));
  const given = firstBest(trims, slots.length);
  const assignment = splices.map(({ id }, row): Placing => {
    const column = given[row] ?? slots.length;
    const trim = trims[row]?.[column] ?? null;
    return {
      splice: id,
      slot: trim === null ? null : mustHoldAt(slots, column).id,
      trimA: trim?.a ?? null,
      trimB: trim?.b ?? null,
    };
  });
  return {
    assignment,
    unplaced: assignment.filter(({ slot }) => slot === null).map(({ splice }) => splice),
    trim: um(assignment.reduce((sum, { trimA, trimB }) => sum + (trimA ?? 0) + (trimB ?? 0), 0)),
  };
}

type Reaches = ReturnType<typeof reachesOf>;

function trimsFor(
  splice: TraysInput["splices"][number],
  slot: { readonly a: Reaches; readonly b: Reaches },
): Trims | null {
  const a = slot.a && leastTrim(slot.a, splice.a);
  const b = slot.b && leastTrim(slot.b, splice.b);
  return a === null || b === null ? null : { a, b };
}

/** For each splice the place of its slot, or one past the last for none. */
function firstBest(trims: readonly (readonly (Trims | null)[])[], slots: number): number[] {
  const splices = trims.length;
  const most = trims.map((row) => Math.max(0, ...row.map((trim) => (trim ? trim.a + trim.b : 0))));
  // One splice without a slot outweighs everything that can be trimmed.
  const without = 1 + most.reduce((sum, trim) => sum + trim, 0);
  const columns = slots + splices;
  const offers = trims.map((row): Offer[] => [
    ...row.flatMap((trim, column) => (trim ? [{ column, cost: trim.a + trim.b }] : [])),
    ...Array.from({ length: splices }, (_, i) => ({ column: slots + i, cost: without })),
  ]);
  const empty = Array.from({ length: columns }, (_, column): Offer => ({ column, cost: 0 }));
  const best = assign([...offers, ...Array.from({ length: slots }, () => empty)], columns);
  if (!best) throw new Error("every splice may go without a slot");
  const { rowPotentials, columnPotentials } = best;
  const tight = [...offers, ...Array.from({ length: slots }, () => empty)].map((row, at) =>
    row
      .filter(({ column, cost }) => cost === (rowPotentials[at] ?? 0) + (columnPotentials[column] ?? 0))
      .map(({ column }) => column),
  );
  return earliest(tight, [...best.columns], splices)
    .slice(0, splices)
    .map((column) => Math.min(column, slots));
}

/** Of all ways to give every row one of its columns, the first by the columns' order, row by row, from one such way. */
function earliest(rows: readonly (readonly number[])[], columnOf: number[], count: number): number[] {
  const rowOf = new Map(columnOf.map((column, row) => [column, row]));
  for (const [row, columns] of rows.slice(0, count).entries()) {
    const own = mustHoldAt(columnOf, row);
    for (const wished of columns.filter((column) => column < own)) {
      const changes = wayTo(rows, rowOf, { row, wished, own });
      if (!changes) continue;
      for (const { row: of, column } of [{ row, column: wished }, ...changes]) {
        columnOf[of] = column;
        rowOf.set(column, of);
      }
      break;
    }
  }
  return columnOf;
}

interface Change {
  readonly row: number;
  readonly column: number;
}

/**
 * How rows after one change columns, so that it gets the column it wishes and its own is taken by another; null where there
 * is no such way. Rows before it keep theirs.
 */
function wayTo(
  rows: readonly (readonly number[])[],
  rowOf: ReadonlyMap<number, number>,
  { row, wished, own }: { readonly row: number; readonly wished: number; readonly own: number },
): Change[] | null {
  const holder = rowOf.get(wished) ?? -1;
  if (holder < row) return null;
  // Each row that is reached loses its column to the row before it.
  const before = new Map<number, Change | null>([[holder, null]]);
  const queue = [holder];
  for (const at of queue)
    for (const column of rows[at] ?? []) {
      if (column === own) {
        const changes: Change[] = [{ row: at, column }];
        for (let step = before.get(at); step; step = before.get(step.row)) changes.push(step);
        return changes;
      }
      const next = rowOf.get(column) ?? -1;
      if (next <= row || before.has(next)) continue;
      before.set(next, { row: at, column });
      queue.push(next);
    }
  return null;
}
