import { type Outcome, ok, refuse } from "../problem/problem";
import { say } from "../words/core";
import type { Saying } from "../words/wording";
import { type LIGHT_FROM, WAVELENGTHS, type Wavelength } from "./light-reading";
import { readPowers } from "./reference";

/** Columns of a table of readings. */
const LIGHT_COLUMNS = ["end", "wavelength", "from", "reference", "reading"] as const;
type LightColumn = (typeof LIGHT_COLUMNS)[number];

/** Words a column is headed with. */
const HEADS: Readonly<Record<LightColumn, RegExp>> = {
  end: /^(end|label|fib(re|er)|connector|name|id|port)\b/,
  wavelength: /^(wave ?length|lambda|nm)\b/,
  from: /^(from|direction|side)\b/,
  reference: /^(ref(erence)?)\b/,
  reading: /^(reading|power|measured|level|dbm)\b/,
};

/** One row as it was read, or why it could not be. */
export interface LightRow {
  /** In the file, from 1. */
  readonly line: number;
  readonly end: string;
  readonly wavelength: Wavelength | null;
  readonly from: (typeof LIGHT_FROM)[number];
  /** Powers of its own reference, dBm; null where the file has none. */
  readonly reference: readonly number[] | null;
  readonly reading: readonly number[];
  readonly problem: Saying | null;
}

interface LightTable {
  /** Position of each column in the file, from 0. */
  readonly columns: Readonly<Partial<Record<LightColumn, number>>>;
  readonly rows: readonly LightRow[];
}

const MOST_ROWS = 2_000;

const wavelengthIn = (text: string): Wavelength | null =>
  WAVELENGTHS.find((each) => text.trim().replace(/\s*nm$/i, "") === String(each)) ?? null;

/** From which end light went in, as it is written; an empty cell is the end at hand. */
function fromIn(text: string): LightRow["from"] | null {
  const word = text.trim().toLowerCase();
  if (/^(|here|near|this|own|a)$/.test(word)) return "here";
  return /^(far|other|b)$/.test(word) ? "far" : null;
}

/** True if at least one cell is filled and every filled cell passes the test. */
function isAll(cells: readonly string[], holds: (cell: string) => boolean): boolean {
  const filled = cells.filter((cell) => cell.trim() !== "");
  return filled.length > 0 && filled.every(holds);
}

const isDbm = (cell: string): boolean =>
  (readPowers(cell.replace(/\s*dbm$/i, "")) ?? [1]).every((power) => power < 1);

/** Columns by their heads; null where the first row is none. */
function columnsByHead(head: readonly string[]): LightTable["columns"] | null {
  const columns: Partial<Record<LightColumn, number>> = {};
  for (const [i, cell] of head.entries()) {
    const word = cell.trim().toLowerCase();
    const column = LIGHT_COLUMNS.find((each) => HEADS[each].test(word) && columns[each] === undefined);
    if (column) columns[column] = i;
  }
  return columns.reading !== undefined || Object.keys(columns).length > 1 ? columns : null;
}

/** Columns by what they hold: wavelengths, directions, powers (the reference before the reading), and the first of the rest. */
function columnsByContent(rows: readonly (readonly string[])[]): LightTable["columns"] {
  const width = Math.max(0, ...rows.map(({ length }) => length));
  const cellsOf = (i: number) => rows.map((row) => row[i] ?? "");
  const places = Array.from({ length: width }, (_, i) => i);
  const wavelength = places.find((i) => isAll(cellsOf(i), (cell) => wavelengthIn(cell) !== null));
  const powers = places.filter((i) => i !== wavelength && isAll(cellsOf(i), isDbm));
  const from = places.find(
    (i) => i !== wavelength && !powers.includes(i) && isAll(cellsOf(i), (cell) => fromIn(cell) !== null),
  );
  const end = places.find((i) => i !== wavelength && i !== from && !powers.includes(i));
  const [first, second] = powers;
  return {
    ...(end !== undefined && { end }),
    ...(wavelength !== undefined && { wavelength }),
    ...(from !== undefined && { from }),
    ...(second !== undefined && { reference: first }),
    ...(first !== undefined && { reading: second ?? first }),
  };
}

/**
 * Reads a table of light readings: a row a reading, columns found by their heads, or where it has none by what they hold.
 * @returns every row, a bad one with the reason; refused where no column holds powers, or there are too many rows.
 * @example readLightTable([["label", "nm", "reading"], ["A 1", "1310", "-20.3"]]).ok // true
 */
export function readLightTable(cells: readonly (readonly string[])[]): Outcome<LightTable> {
  const filled = cells.filter((row) => row.some((cell) => cell.trim() !== ""));
  const [head = [], ...below] = filled;
  const named = columnsByHead(head);
  const body = named ? below : filled;
  const columns = named ?? columnsByContent(body);
  if (body.length > MOST_ROWS)
    return refuse("too-many", say("at-most-so-many-readings-in-a-file", { most: MOST_ROWS }));
  if (columns.reading === undefined || columns.end === undefined)
    return refuse("bad-input", say("a-table-of-readings-has-columns"));
  return ok({ columns, rows: body.map((row, i) => rowOf(row, columns, i + (named ? 2 : 1))) });
}

function rowOf(row: readonly string[], columns: LightTable["columns"], line: number): LightRow {
  const cell = (column: LightColumn): string => row[columns[column] ?? -1]?.trim() ?? "";
  const powers = (column: LightColumn) => readPowers(cell(column).replace(/\s*dbm$/i, ""));
  const [wavelength, from, reading] = [
    wavelengthIn(cell("wavelength")),
    fromIn(cell("from")),
    powers("reading"),
  ];
  const reference = cell("reference") === "" ? null : powers("reference");
  const wrong = (): Saying | null => {
    if (cell("end") === "") return say("a-row-names-its-end");
    if (cell("wavelength") !== "" && wavelength === null)
      return say("a-wavelength-is-one-of", { wavelengths: WAVELENGTHS.join(", ") });
    if (from === null) return say("light-goes-in-here-or-far");
    if (reading === null) return say("a-reading-is-powers-in-dbm");
    return cell("reference") !== "" && reference === null ? say("a-reading-is-powers-in-dbm") : null;
  };
  return {
    ...{ line, end: cell("end"), wavelength, from: from ?? "here", reference, reading: reading ?? [] },
    problem: wrong(),
  };
}
