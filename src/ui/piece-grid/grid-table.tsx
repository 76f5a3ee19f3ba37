"use client";

import Papa from "papaparse";
import { type ClipboardEvent, type KeyboardEvent, type ReactNode, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import type { Cable, Piece } from "@/core";
import { COLUMNS, type Column } from "./columns";

export interface Cell {
  readonly row: number;
  readonly column: number;
}

interface GridTableProps {
  readonly rows: readonly Piece[];
  readonly cables: readonly Cable[];
  readonly selected: Cell;
  /** The far corner of what is selected, in the same column for a fill. */
  readonly head: Cell;
  readonly onSelect: (anchor: Cell, head: Cell) => void;
  /** Takes what was typed; answers why it cannot be, or null. */
  readonly onType: (cell: Cell, text: string) => string | null;
  readonly onFill: (from: Cell, to: number) => void;
  readonly onClear: (from: Cell, to: Cell) => void;
  readonly onPaste: (text: string, at: Cell) => void;
  /** What stands at the end of a piece's row. */
  readonly end: (piece: Piece, row: number) => ReactNode;
  readonly endHead: ReactNode;
}

interface Editing {
  readonly cell: Cell;
  readonly text: string;
  readonly problem: string | null;
}

const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/**
 * The pieces of a job as a grid, worked like a spreadsheet: arrows go, typing or F2 edits, Enter takes and goes down, Shift
 * selects, Ctrl+D fills down, Delete clears, copy and paste go through the clipboard. The row below the last adds a piece.
 */
export function GridTable(props: GridTableProps) {
  const { rows, cables, selected, head, onSelect, onType, onFill, onClear, onPaste, end, endHead } = props;
  const [editing, setEditing] = useState<Editing | null>(null);
  const [fillTo, setFillTo] = useState<number | null>(null);
  const table = useRef<HTMLTableElement>(null);
  /** Whether the cell pressed was selected already: pressing it again edits it. */
  const wasHere = useRef(false);
  const last = COLUMNS.length - 1;
  const textAt = ({ row, column }: Cell): string => {
    const piece = rows[row];
    return piece ? (COLUMNS[column]?.text(piece.plan, cables) ?? "") : "";
  };
  const closedAt = ({ row, column }: Cell): string | null => {
    const piece = rows[row];
    if (piece) return COLUMNS[column]?.closed(piece.plan) ?? null;
    return column === 0 ? null : "Name the piece first.";
  };
  const go = (to: Cell, keep = false) => {
    const cell = { row: within(to.row, rows.length), column: within(to.column, last) };
    // The next key, however fast, is already for the cell gone to.
    flushSync(() => onSelect(keep ? selected : cell, cell));
    table.current?.querySelector<HTMLElement>(`[data-cell="${cell.row}/${cell.column}"]`)?.focus();
  };
  // A piece named in the empty row stands there now: the next name goes into the row that is empty then.
  const before = useRef(rows.length);
  useEffect(() => {
    const named =
      rows.length === before.current + 1 && selected.row === before.current && selected.column === 0;
    before.current = rows.length;
    if (named && table.current?.contains(document.activeElement)) {
      const next = { row: rows.length, column: 0 };
      onSelect(next, next);
      table.current.querySelector<HTMLElement>(`[data-cell="${rows.length}/0"]`)?.focus();
    }
  }, [rows.length, selected, onSelect]);
  const edit = (cell: Cell, text: string) => {
    const closed = closedAt(cell);
    setEditing(
      closed === null ? { cell, text, problem: null } : { cell, text: textAt(cell), problem: closed },
    );
  };
  /** Takes what was typed; false where it cannot be. */
  const take = (): boolean => {
    if (!editing) return true;
    if (closedAt(editing.cell) !== null || editing.text === textAt(editing.cell)) {
      setEditing(null);
      return true;
    }
    const problem = onType(editing.cell, editing.text);
    setEditing(problem === null ? null : { ...editing, problem });
    return problem === null;
  };
  const onEditKey = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === "Escape") {
      setEditing(null);
      go(selected);
    } else if (event.key === "Enter" || event.key === "Tab") {
      event.preventDefault();
      const by = event.shiftKey ? -1 : 1;
      if (take())
        go(
          event.key === "Enter"
            ? { ...selected, row: selected.row + by }
            : { ...selected, column: selected.column + by },
        );
    }
  };
  const onCellKey = (event: KeyboardEvent, cell: Cell) => {
    const step = STEPS[event.key];
    const from = event.shiftKey ? head : cell;
    if (step) {
      event.preventDefault();
      go({ row: from.row + step[0], column: from.column + step[1] }, event.shiftKey);
    } else if (event.key === "Home" || event.key === "End") {
      event.preventDefault();
      go({ ...cell, column: event.key === "Home" ? 0 : last });
    } else if ((event.ctrlKey || event.metaKey) && event.key === "d") {
      event.preventDefault();
      onFill(selected, head.row);
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      onClear(selected, head);
    } else if (event.key === "Enter" || event.key === "F2") {
      event.preventDefault();
      edit(cell, textAt(cell));
    } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      event.stopPropagation();
      edit(cell, event.key);
    }
  };
  const [top, bottom] = [
    Math.min(selected.row, head.row),
    Math.max(selected.row, fillTo ?? head.row, head.row),
  ];
  const [left, right] = [Math.min(selected.column, head.column), Math.max(selected.column, head.column)];
  const isIn = ({ row, column }: Cell) => row >= top && row <= bottom && column >= left && column <= right;
  const copy = (event: ClipboardEvent) => {
    if (editing) return;
    event.preventDefault();
    const cells = Array.from({ length: bottom - top + 1 }, (_, i) =>
      Array.from({ length: right - left + 1 }, (_, j) => textAt({ row: top + i, column: left + j })),
    );
    event.clipboardData.setData("text/plain", Papa.unparse(cells, { delimiter: "\t" }));
  };
  const paste = (event: ClipboardEvent) => {
    if (editing) return;
    event.preventDefault();
    onPaste(event.clipboardData.getData("text/plain"), { row: top, column: left });
  };
  const cellOf = (cell: Cell) => {
    const column = COLUMNS[cell.column];
    if (!column) return null;
    const isEdited = editing?.cell.row === cell.row && editing.cell.column === cell.column;
    const isHere = cell.row === selected.row && cell.column === selected.column;
    const name = rows[cell.row]?.plan.name ?? "New piece";
    const text = textAt(cell);
    return (
      <td
        key={column.id}
        className={`relative border-line border-r p-0 ${isIn(cell) ? "bg-now-wash" : ""} ${isHere ? "outline-2 outline-now -outline-offset-2" : ""}`}
      >
        {isEdited ? (
          <CellField
            name={`${name}: ${column.title}`}
            column={column}
            editing={editing}
            closed={closedAt(cell) !== null}
            onChange={(typed) => setEditing({ cell, text: typed, problem: null })}
            onKeyDown={onEditKey}
            onLeave={() => {
              if (editing.problem === null) take();
              else setEditing(null);
            }}
          />
        ) : (
          <button
            type="button"
            data-cell={`${cell.row}/${cell.column}`}
            tabIndex={isHere ? 0 : -1}
            aria-label={`${text || "empty"}: ${name}, ${column.title}`}
            title={closedAt(cell) ?? undefined}
            onPointerDown={() => {
              wasHere.current = isHere;
            }}
            onFocus={() => {
              if (!isHere && !isIn(cell)) onSelect(cell, cell);
            }}
            onClick={(event) => {
              if (event.shiftKey) onSelect(selected, cell);
              else if (wasHere.current) edit(cell, text);
              else go(cell);
            }}
            onKeyDown={(event) => onCellKey(event, cell)}
            className={`line-clamp-2 min-h-12 w-full px-2 leading-tight outline-none ${column.figure ? "figures whitespace-nowrap text-right text-[0.95rem]" : "text-left"} ${column.id === "name" ? "font-bold" : ""} ${closedAt(cell) === null ? "" : "text-soft"}`}
          >
            {text || (
              <span className="text-soft">
                {cell.row === rows.length && cell.column === 0 ? "New piece" : "–"}
              </span>
            )}
          </button>
        )}
        {cell.row === bottom && cell.column === right && cell.row < rows.length && !editing && (
          <FillHandle
            rowsBelow={rows.length - 1}
            onTry={setFillTo}
            onFill={(to) => {
              setFillTo(null);
              if (to > top) onFill({ row: top, column: left }, to);
            }}
          />
        )}
      </td>
    );
  };
  return (
    <div className="overflow-x-auto">
      <datalist id="grid-cables">
        {cables.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
      <table
        ref={table}
        onCopy={copy}
        onPaste={paste}
        className="w-full min-w-[72rem] table-fixed border-collapse"
      >
        <caption className="sr-only">
          Pieces of the job. Arrow keys go from cell to cell, Enter edits, Ctrl+D fills down.
        </caption>
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
              <span className="sr-only">Number</span>
            </th>
            {COLUMNS.map(({ id, title, figure }) => (
              <th key={id} scope="col" className={`border-line border-l px-2 ${figure ? "text-right" : ""}`}>
                {title}
              </th>
            ))}
            {endHead}
          </tr>
        </thead>
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

interface CellFieldProps {
  readonly name: string;
  readonly column: Column;
  readonly editing: Editing;
  readonly closed: boolean;
  readonly onChange: (text: string) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onLeave: () => void;
}

/** The field of the cell being typed in, with what is wrong with it below. */
const CellField = ({ name, column, editing, closed, onChange, onKeyDown, onLeave }: CellFieldProps) => (
  <>
    <input
      // biome-ignore lint/a11y/noAutofocus: typing in a cell goes on in its field
      autoFocus
      aria-label={name}
      aria-invalid={editing.problem !== null}
      readOnly={closed}
      value={editing.text}
      list={column.id === "cable" ? "grid-cables" : undefined}
      maxLength={200}
      autoComplete="off"
      onChange={({ target }) => onChange(target.value)}
      onKeyDown={onKeyDown}
      onBlur={onLeave}
      className={`min-h-12 w-full bg-field px-2 ${column.figure ? "figures text-right" : ""} ${editing.problem === null ? "" : "outline-2 outline-out"}`}
    />
    {editing.problem !== null && (
      <p
        role="alert"
        className="absolute top-full left-0 z-20 w-max max-w-80 rounded-b-md bg-strong px-3 py-1 text-on-strong text-sm"
      >
        {editing.problem}
      </p>
    )}
  </>
);

interface FillHandleProps {
  /** The last row it can be dragged to. */
  readonly rowsBelow: number;
  readonly onTry: (row: number) => void;
  readonly onFill: (row: number) => void;
}

/** The corner of what is selected: dragged down, it fills what it passes. */
function FillHandle({ rowsBelow, onTry, onFill }: FillHandleProps) {
  const at = useRef<number | null>(null);
  return (
    <span
      title="Drag down to fill, or press Ctrl+D"
      className="absolute -right-1.5 -bottom-1.5 z-10 size-3.5 cursor-ns-resize touch-none border-2 border-ground bg-now"
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        at.current = 0;
      }}
      onPointerMove={(event) => {
        if (at.current === null) return;
        const under = document.elementsFromPoint(event.clientX, event.clientY);
        const row = under.flatMap((element) => element.closest<HTMLElement>("[data-row]") ?? [])[0];
        if (!row) return;
        at.current = within(Number(row.dataset.row), rowsBelow);
        onTry(at.current);
      }}
      onPointerUp={() => {
        if (at.current !== null) onFill(at.current);
        at.current = null;
      }}
    />
  );
}

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
