/** One of several that may be given to a row, and what that costs. */
export interface Offer {
  readonly column: number;
  readonly cost: number;
}

/** No way at all: beyond every sum of costs there can be. */
const NO_WAY = 1e15;

interface Assigned {
  /** The column of each row. */
  readonly columns: readonly number[];
  readonly cost: number;
  readonly rowPotentials: readonly number[];
  readonly columnPotentials: readonly number[];
}

/**
 * Gives every row a column of its own for the least sum of costs (the Hungarian method, Kuhn 1955 and Munkres 1957, by
 * shortest augmenting paths with potentials).
 * @param offers for each row, the columns it may have.
 * @returns the column of each row, the sum, and the potentials that prove it least: an offer's cost is nowhere below the
 *   sum of its row's and its column's; null where not every row can have one.
 */
export function assign(offers: readonly (readonly Offer[])[], columns: number): Assigned | null {
  const rows = offers.length;
  if (rows > columns) return null;
  const cost = offers.map((row) => {
    const line = new Float64Array(columns).fill(NO_WAY);
    for (const { column, cost: of } of row) line[column] = of;
    return line;
  });
  // Counted from 1; 0 is the row being placed.
  const rowPotential = new Float64Array(rows + 1);
  const columnPotential = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  const came = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    rowOf[0] = row;
    let column = 0;
    const least = new Float64Array(columns + 1).fill(Number.POSITIVE_INFINITY);
    const used = new Uint8Array(columns + 1);
    do {
      used[column] = 1;
      const at = rowOf[column] ?? 0;
      const line = cost[at - 1];
      let step = Number.POSITIVE_INFINITY;
      let next = 0;
      for (let to = 1; to <= columns; to++) {
        if (used[to]) continue;
        const reduced = (line?.[to - 1] ?? NO_WAY) - (rowPotential[at] ?? 0) - (columnPotential[to] ?? 0);
        if (reduced < (least[to] ?? 0)) {
          least[to] = reduced;
          came[to] = column;
        }
        if ((least[to] ?? 0) < step) {
          step = least[to] ?? 0;
          next = to;
        }
      }
      for (let to = 0; to <= columns; to++) {
        if (used[to]) {
          const of = rowOf[to] ?? 0;
          rowPotential[of] = (rowPotential[of] ?? 0) + step;
          columnPotential[to] = (columnPotential[to] ?? 0) - step;
        } else least[to] = (least[to] ?? 0) - step;
      }
      column = next;
    } while (rowOf[column] !== 0);
    while (column !== 0) {
      const back = came[column] ?? 0;
      rowOf[column] = rowOf[back] ?? 0;
      column = back;
    }
  }
  const given = new Array<number>(rows).fill(-1);
  for (let column = 1; column <= columns; column++) {
    const row = rowOf[column] ?? 0;
    if (row > 0) given[row - 1] = column - 1;
  }
  const sum = given.reduce((total, column, row) => total + (cost[row]?.[column] ?? NO_WAY), 0);
  if (sum >= NO_WAY) return null;
  const [rowPotentials, columnPotentials] = [[...rowPotential].slice(1), [...columnPotential].slice(1)];
  return { columns: given, cost: sum, rowPotentials, columnPotentials };
}
