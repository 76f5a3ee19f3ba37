import Papa from "papaparse";
import { type Outcome, ok, type PiecePlan, refuse } from "@/core";
import { t } from "@/messages/piece-grid";
import { COLUMN_IDS, COLUMNS, type Column, type ColumnId, meantBy } from "./columns";

/** A cell of a pasted list that could not be read, and what was likely meant. */
interface CellProblem {
  readonly column: ColumnId;
  readonly text: string;
  readonly message: string;
  readonly meant: string | null;
}

/** One row of a pasted list: its cells as text, by column. */
export type PastedRow = Readonly<Partial<Record<ColumnId, string>>>;

/** A pasted list as it was read: its columns and rows. */
export interface Pasted {
  readonly columns: readonly ColumnId[];
  /** Whether the list named its columns itself. */
  readonly headed: boolean;
  readonly rows: readonly PastedRow[];
}

const MOST_TEXT = 200_000;
/** As many pieces as one request takes. */
export const MOST_ROWS = 300;

/**
 * Reads a list copied from a spreadsheet: tabs, commas or semicolons between. Columns go by their heads where it has any,
 * else by their order here.
 * @returns the rows; refused `too-large`, `too-many` or `empty`.
 */
export function readPasted(text: string): Outcome<Pasted> {
  if (text.length > MOST_TEXT)
    return refuse("too-large", t("paste-at-most-thousand-characters-at", { value: MOST_TEXT / 1000 }));
  const { data } = Papa.parse<string[]>(text.replace(/\s+$/, ""), {
    skipEmptyLines: "greedy",
    delimiter: text.includes("\t") ? "\t" : "",
  });
  const [head = []] = data;
  const named = head.map(columnHeaded);
  const headed = named.filter((column) => column !== null).length >= Math.min(2, head.length);
  const columns = headed ? named : COLUMN_IDS;
  const rows = (headed ? data.slice(1) : data).map((cells): PastedRow => {
    const read = cells.flatMap((cell, i) => {
      const column = columns[i];
      return column ? [[column, unguarded(cell.trim())] as const] : [];
    });
    return Object.fromEntries(read);
  });
  if (rows.length === 0) return refuse("empty", t("there-is-no-row-in-what"));
  if (rows.length > MOST_ROWS)
    return refuse("too-many", t("paste-at-most-pieces-at-a", { most_rows: MOST_ROWS }));
  return ok({ columns: columns.flatMap((column) => column ?? []).slice(0, head.length), headed, rows });
}

/**
 * The rows of the grid as CSV, under heads it is read by again. A cell a spreadsheet would run as a formula is kept from it by
 * an apostrophe, taken off when the file is read.
 */
export const gridCsv = (plans: readonly PiecePlan[], cables: Cables): string =>
  Papa.unparse(
    [
      COLUMNS.map(({ title }) => title),
      ...plans.map((plan) => COLUMNS.map(({ text }) => text(plan, cables))),
    ],
    { escapeFormulae: FORMULA },
  );

/** The start of a cell that a spreadsheet takes for a formula, or of one kept from that before. */
const FORMULA = /^['\s\p{Cc}\p{Cf}=+\-@＝＋－＠]/u;

/** A cell as it was before an apostrophe kept it from a spreadsheet. */
const unguarded = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;

/** The column a pasted head names; null for one that is not of the list. */
function columnHeaded(text: string): ColumnId | null {
  const word = text.trim().toLowerCase().replaceAll(/[,()]/g, " ").replaceAll(/\s+/g, " ").trim();
  const names = ({ heads }: Column) => heads.includes(word);
  return (COLUMNS.find(names) ?? COLUMNS.find(({ title }) => title.toLowerCase() === word))?.id ?? null;
}

type Cables = Parameters<Column["write"]>[2];

/** What a pasted row comes to: a plan, or each of its cells that cannot be read. */
interface PlannedRow {
  readonly plan: PiecePlan | null;
  readonly problems: readonly CellProblem[];
}

/**
 * The plan a row comes to, written cell by cell onto a piece with nothing planned yet.
 * @param begun a plan of the row's name with nothing else said, of a cable.
 * @param usualCable id of the cable of a row that names none.
 */
export function planOfRow(
  row: PastedRow,
  begun: (name: string, cable: string) => PiecePlan | null,
  usualCable: string,
  cables: Cables,
): PlannedRow {
  const problems: CellProblem[] = [];
  let plan = begun(row.name?.trim() || "?", usualCable);
  for (const column of COLUMNS) {
    const text = row[column.id];
    if (plan === null || (text === undefined && column.id !== "name")) continue;
    if (column.id === "cable" && (text ?? "") === "") continue;
    const written = column.write(plan, text ?? "", cables);
    if (written.ok) plan = written.value;
    else
      problems.push({
        column: column.id,
        text: text ?? "",
        message: written.problem.message,
        meant: column.figure ? meantIn(column, plan, text ?? "", cables) : null,
      });
  }
  return { plan: problems.length > 0 ? null : plan, problems };
}

function meantIn(column: Column, plan: PiecePlan, text: string, cables: Cables): string | null {
  const meant = meantBy(text);
  return meant !== null && column.write(plan, meant, cables).ok ? meant : null;
}

/** Cells written over pieces that are there already, from one cell on to the right and down. */
export function writtenOver(
  plans: readonly PiecePlan[],
  cells: readonly (readonly string[])[],
  from: { readonly row: number; readonly column: number },
  cables: Cables,
): Outcome<readonly { readonly row: number; readonly plan: PiecePlan }[]> {
  const changed: { row: number; plan: PiecePlan }[] = [];
  for (const [i, line] of cells.entries()) {
    const row = from.row + i;
    let plan = plans[row];
    if (!plan) break;
    for (const [j, text] of line.entries()) {
      const column = COLUMNS[from.column + j];
      if (!column) break;
      const closed = column.closed(plan);
      if (closed !== null) return refuse("does-not-fit", `${plan.name}, ${column.title}: ${closed}`);
      const written = column.write(plan, text, cables);
      if (!written.ok)
        return refuse("bad-input", `${plan.name}, ${column.title}: ${written.problem.message}`);
      plan = written.value;
    }
    changed.push({ row, plan });
  }
  return ok(changed);
}
