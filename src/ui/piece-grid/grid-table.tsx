"use client";

import { type ReactNode, useRef } from "react";
import type { Piece } from "@/core";
import { t } from "@/messages/piece-grid";
import { COLUMNS } from "./columns";
import { CellField, FillHandle, GridCell } from "./grid-cell";
import { type Cell, type Cells, isSame, useCells } from "./use-cells";

interface GridTableProps extends Cells {
  /** What stands at the end of a piece's row. */
  readonly end: (piece: Piece, row: number) => ReactNode;
  readonly endHead: ReactNode;
}

/**
 * The pieces of a job as a grid, worked like a spreadsheet: arrows go, typing or F2 edits, Enter takes and goes down, Shift
 * selects, Ctrl+D fills down, Delete clears, copy and paste go through the clipboard. The row below the last adds a piece.
 */
export function GridTable({ end, endHead, ...cells }: GridTableProps) {
  const { rows, cables } = cells;
  const table = useRef<HTMLTableElement>(null);
  const work = useCells(table, cells);
  const cellOf = (cell: Cell) => (
    <TableCell key={COLUMNS[cell.column]?.id} cell={cell} cells={cells} work={work} />
  );
  return (
    <div className="relative overflow-x-auto">
      <datalist id="grid-cables">
        {cables.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
      <table
        ref={table}
        onCopy={work.onCopy}
        onPaste={work.onPaste}
        className="w-full min-w-[72rem] table-fixed border-collapse"
      >
        <caption className="sr-only">{t("pieces-of-the-job-arrow-keys")}</caption>
        <Columns endHead={endHead} />
        <tbody>
          {rows.map((piece, row) => (
            <tr key={piece.id} data-row={row} className="border-line border-b">
              <td className="figures pr-2 text-right text-soft text-sm">{row + 1}</td>
              {COLUMNS.map((_, column) => cellOf({ row, column }))}
              {end(piece, row)}
            </tr>
          ))}
          <tr data-row={rows.length} className="border-line border-b">
            <td />
            {COLUMNS.map((_, column) => cellOf({ row: rows.length, column }))}
            <td colSpan={2} />
          </tr>
        </tbody>
      </table>
    </div>
  );
}

interface TableCellProps {
  readonly cell: Cell;
  readonly cells: Cells;
  readonly work: ReturnType<typeof useCells>;
}

/** One cell: its text, or the field it is typed in; the corner of what is selected has the handle that fills down. */
function TableCell({ cell, cells, work }: TableCellProps) {
  const { rows, selected, onSelect, onFill } = cells;
  const { editing, range } = work;
  const isIn = ({ row, column }: Cell) =>
    row >= range.top && row <= range.bottom && column >= range.left && column <= range.right;
  const column = COLUMNS[cell.column];
  if (!column) return null;
  const here = isSame(cell, selected);
  const name = rows[cell.row]?.plan.name ?? t("new-piece");
  const text = work.textAt(cell);
  const isCorner = isSame(cell, { row: range.bottom, column: range.right }) && cell.row < rows.length;
  return (
    <td
      className={`relative border-line border-r p-0 ${isIn(cell) ? "bg-now-wash" : ""} ${here ? "outline-2 outline-now -outline-offset-2" : ""}`}
    >
      {editing && isSame(editing.cell, cell) ? (
        <CellField
          name={`${name}: ${column.title}`}
          column={column}
          editing={editing}
          closed={work.closedAt(cell) !== null}
          onChange={(typed) => work.setEditing({ cell, text: typed, problem: null })}
          onKeyDown={work.onEditKey}
          onLeave={() => {
            if (editing.problem === null) work.take();
            else work.setEditing(null);
          }}
        />
      ) : (
        <GridCell
          cell={cell}
          column={column}
          name={name}
          text={text}
          empty={cell.row === rows.length && cell.column === 0 ? t("new-piece") : "–"}
          closed={work.closedAt(cell)}
          here={here}
          onSelect={() => {
            if (!here && !isIn(cell)) onSelect(cell, cell);
          }}
          onExtend={() => onSelect(selected, cell)}
          onGo={() => work.go(cell)}
          onEdit={() => work.edit(cell, text)}
          onKeyDown={(event) => work.onCellKey(event, cell)}
        />
      )}
      {isCorner && !editing && (
        <FillHandle
          rowsBelow={rows.length - 1}
          onTry={work.setFillTo}
          onFill={(to) => {
            work.setFillTo(null);
            if (to > range.top) onFill({ row: range.top, column: range.left }, to);
          }}
        />
      )}
    </td>
  );
}

/** How wide the columns are, and their heads. */
const Columns = ({ endHead }: Pick<GridTableProps, "endHead">) => (
  <>
    <colgroup>
      <col className="w-10" />
      {COLUMNS.map(({ id }) => (
        <col key={id} className={WIDTHS[id]} />
      ))}
      <col className="w-22" />
      <col className="w-42" />
    </colgroup>
    <thead>
      <tr className="border-line border-b bg-rail text-left">
        <th scope="col" className="py-2">
          <span className="sr-only">{t("number")}</span>
        </th>
        {COLUMNS.map(({ id, title, figure }) => (
          <th key={id} scope="col" className={`border-line border-l px-2 ${figure ? "text-right" : ""}`}>
            {title}
          </th>
        ))}
        {endHead}
      </tr>
    </thead>
  </>
);

const WIDTHS: Readonly<Record<(typeof COLUMNS)[number]["id"], string>> = {
  name: "w-32",
  cable: "w-40",
  from: "w-26",
  to: "w-26",
  route: "w-32",
  loops: "w-27",
  slack: "w-22",
  ends: "w-18",
};
