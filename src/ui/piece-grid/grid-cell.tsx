"use client";

import { type KeyboardEvent, useRef } from "react";
import { t } from "@/messages/piece-grid";
import type { Column } from "./columns";
import { type Cell, type Editing, within } from "./use-cells";

interface GridCellProps {
  readonly cell: Cell;
  readonly column: Column;
  /** The piece's name, for whoever hears the cell. */
  readonly name: string;
  readonly text: string;
  /** What an empty cell shows. */
  readonly empty: string;
  /** Why it cannot be typed in; null where it can. */
  readonly closed: string | null;
  readonly here: boolean;
  readonly onSelect: () => void;
  readonly onExtend: () => void;
  readonly onGo: () => void;
  readonly onEdit: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/** A cell that is read: pressed once it is selected, pressed again it is typed in. */
export function GridCell(props: GridCellProps) {
  const { cell, column, name, text, empty, closed, here } = props;
  const wasHere = useRef(false);
  const side = column.figure
    ? `figures text-right text-[0.95rem] ${column.id === "loops" ? "" : "whitespace-nowrap"}`
    : "text-left";
  return (
    <button
      type="button"
      data-cell={`${cell.row}/${cell.column}`}
      tabIndex={here ? 0 : -1}
      aria-label={`${text || empty}: ${name}, ${column.title}`}
      title={closed ?? undefined}
      onPointerDown={() => {
        wasHere.current = here;
      }}
      onFocus={props.onSelect}
      onClick={(event) => {
        if (event.shiftKey) props.onExtend();
        else if (wasHere.current) props.onEdit();
        else props.onGo();
      }}
      onKeyDown={props.onKeyDown}
      className={`line-clamp-2 min-h-12 w-full px-2 leading-tight outline-none ${side} ${column.id === "name" ? "font-bold" : ""} ${closed === null ? "" : "text-soft"}`}
    >
      {text || <span className="text-soft">{empty}</span>}
    </button>
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
export const CellField = ({
  name,
  column,
  editing,
  closed,
  onChange,
  onKeyDown,
  onLeave,
}: CellFieldProps) => (
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
export function FillHandle({ rowsBelow, onTry, onFill }: FillHandleProps) {
  const at = useRef<number | null>(null);
  return (
    <span
      title={t("drag-down-to-fill-or-press")}
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
