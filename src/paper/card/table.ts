import { box, line, text } from "./pens";
import type { CardPage, CardShape } from "./shapes";

/** A column of a printed table. */
interface TableColumn {
  readonly head: string;
  /** Share of the table's width. */
  readonly share: number;
  readonly bold?: boolean;
  /** Set against its right edge. */
  readonly end?: boolean;
}

/** Something to fill in: a box to tick before its text, or a line to write on below it. */
interface FillItem {
  readonly kind: "box" | "line";
  readonly text: string;
}

/** A cell: text wrapped to its column, or items to fill in, one below the other. */
export type TableCell = string | readonly FillItem[];

/** One printed line of a cell. */
type CellLine =
  | { readonly kind: "text" | "indented" | "box"; readonly text: string }
  | { readonly kind: "line" };

interface Table {
  readonly columns: readonly TableColumn[];
  readonly rows: readonly (readonly TableCell[])[];
  /** Shapes above the table on each page, and where the table begins, millimetres. */
  readonly head: (page: number, of: number) => readonly CardShape[];
  readonly top: number;
  /** Shapes below the table's last row: their height, and what draws them from a height on. */
  readonly foot?: { readonly height: number; readonly shapes: (top: number) => readonly CardShape[] };
  readonly paper: { readonly width: number; readonly height: number };
}

/** A cell with nothing but a box. */
export const TICK: TableCell = [{ kind: "box", text: "" }];

const LEFT = 14;
const BOTTOM = 12;
const SIZE = 3.1;
const STEP = 4.4;
/** Mean width of a letter for its size: text is wrapped by it, never squeezed. */
const LETTER = 0.53;
/** From a box to its text. */
const INDENT = 5;

/** A table on as many pages as its rows take; no row is split between two. */
export function tablePages({ columns, rows, head, top, foot, paper }: Table): CardPage[] {
  const room = paper.width - 2 * LEFT;
  const shares = columns.reduce((sum, { share }) => sum + share, 0);
  let along = LEFT;
  const placed = columns.map((column): PlacedColumn => {
    const width = (column.share / shares) * room;
    const x = along;
    along += width;
    return { ...column, x, width };
  });
  const set = rows.map((cells) => {
    const lines = placed.map(({ width, bold }, i) => linesOf(cells[i] ?? "", width - 2, bold ?? false));
    return { lines, height: Math.max(1, ...lines.map(({ length }) => length)) * STEP + 2 };
  });
  const pages: (typeof set)[] = [[]];
  let used = 0;
  for (const row of set) {
    if (top + 4 + used + row.height > paper.height - BOTTOM && used > 0) {
      pages.push([]);
      used = 0;
    }
    pages.at(-1)?.push(row);
    used += row.height;
  }
  if (foot && top + 4 + used + foot.height > paper.height - BOTTOM) pages.push([]);
  return pages.map((own, page) => {
    const shapes: CardShape[] = [...head(page + 1, pages.length)];
    for (const { head: name, x, width, end } of placed)
      shapes.push(text(end ? x + width - 2 : x, top, 2.7, name, { anchor: end ? "end" : "start" }));
    shapes.push(line("text", LEFT, top + 1.6, paper.width - LEFT, top + 1.6, 0.3));
    let y = top + 1.6;
    for (const { lines, height } of own) {
      placed.forEach((column, i) => {
        (lines[i] ?? []).forEach((each, row) => {
          shapes.push(...lineShapes(each, column, y + 4 + row * STEP));
        });
      });
      y += height;
      shapes.push(line("text", LEFT, y, paper.width - LEFT, y, 0.1));
    }
    if (foot && page === pages.length - 1) shapes.push(...foot.shapes(y + 4));
    return { width: paper.width, height: paper.height, shapes };
  });
}

interface PlacedColumn extends TableColumn {
  readonly x: number;
  readonly width: number;
}

function lineShapes(
  each: CellLine,
  { x, width, bold = false, end = false }: PlacedColumn,
  base: number,
): CardShape[] {
  if (each.kind === "line") return [line("text", x, base + 0.4, x + width - 3, base + 0.4, 0.2)];
  const at = end ? x + width - 2 : x + (each.kind === "text" ? 0 : INDENT);
  return [
    ...(each.kind === "box" ? [box("text", x, base - 3, 3.4, 3.4, { line: 0.25 })] : []),
    ...(each.text === "" ? [] : [text(at, base, SIZE, each.text, { anchor: end ? "end" : "start", bold })]),
  ];
}

function linesOf(cell: TableCell, width: number, bold: boolean): CellLine[] {
  const most = (room: number) => Math.max(4, Math.floor(room / (SIZE * (bold ? LETTER * 1.08 : LETTER))));
  if (typeof cell === "string")
    return wrapped(cell, most(width)).map((content) => ({ kind: "text", text: content }));
  return cell.flatMap(({ kind, text: content }): CellLine[] =>
    kind === "line"
      ? [...wrapped(content, most(width)).map((each) => ({ kind: "text" as const, text: each })), { kind }]
      : wrapped(content, most(width - INDENT)).map((each, i) => ({
          kind: i === 0 ? "box" : "indented",
          text: each,
        })),
  );
}

/** A text in lines of at most so many letters, broken between words; a longer word is broken where the line ends. */
function wrapped(content: string, most: number): string[] {
  const lines: string[] = [];
  let now = "";
  for (const word of content
    .split(" ")
    .flatMap((each) => each.match(new RegExp(`.{1,${most}}`, "gu")) ?? [])) {
    if (now !== "" && now.length + 1 + word.length > most) {
      lines.push(now);
      now = word;
    } else now = now === "" ? word : `${now} ${word}`;
  }
  return [...lines, now];
}
