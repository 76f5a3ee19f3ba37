"use client";

import Papa from "papaparse";
import { type ClipboardEvent, type KeyboardEvent, type RefObject, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import type { Cable, Piece } from "@/core";
import { t } from "@/messages/piece-grid";
import { COLUMNS } from "./columns";

export interface Cell {
  readonly row: number;
  readonly column: number;
}

/** A cell being typed in. */
export interface Editing {
  readonly cell: Cell;
  readonly text: string;
  readonly problem: string | null;
}

export interface Cells {
  readonly rows: readonly Piece[];
  readonly cables: readonly Cable[];
  readonly selected: Cell;
  /** The far corner of what is selected. */
  readonly head: Cell;
  readonly onSelect: (anchor: Cell, head: Cell) => void;
  /** Takes what was typed; answers why it cannot be, or null. */
  readonly onType: (cell: Cell, text: string) => string | null;
  readonly onFill: (from: Cell, to: number) => void;
  readonly onClear: (from: Cell, to: Cell) => void;
  readonly onPaste: (text: string, at: Cell) => void;
}

export const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
export const isSame = (a: Cell, b: Cell): boolean => a.row === b.row && a.column === b.column;

const LAST = COLUMNS.length - 1;
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** What a cell says, and why it cannot be typed in; the row below the last takes a name alone. */
const reading = ({ rows, cables }: Cells) => ({
  textAt: ({ row, column }: Cell): string => {
    const piece = rows[row];
    return piece ? (COLUMNS[column]?.text(piece.plan, cables) ?? "") : "";
  },
  closedAt: ({ row, column }: Cell): string | null => {
    const piece = rows[row];
    if (piece) return COLUMNS[column]?.closed(piece.plan) ?? null;
    return column === 0 ? null : t("name-the-piece-first");
  },
});

/** The cells of the grid under keys and hand: going from one to another, typing, selecting, the clipboard. */
export function useCells(table: RefObject<HTMLTableElement | null>, cells: Cells) {
  const { rows, selected, head, onSelect, onType, onFill, onClear, onPaste } = cells;
  const [editing, setEditing] = useState<Editing | null>(null);
  const [fillTo, setFillTo] = useState<number | null>(null);
  const { textAt, closedAt } = reading(cells);
  const focus = ({ row, column }: Cell) =>
    table.current?.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`)?.focus();
  useNextName(table, cells, focus);
  const go = (to: Cell, keep = false) => {
    const cell = { row: within(to.row, rows.length), column: within(to.column, LAST) };
    // The next key, however fast, is already for the cell gone to.
    flushSync(() => onSelect(keep ? selected : cell, cell));
    focus(cell);
  };
  const edit = (cell: Cell, text: string) => {
    const closed = closedAt(cell);
    setEditing(
      closed === null ? { cell, text, problem: null } : { cell, text: textAt(cell), problem: closed },
    );
  };
  /** Takes what was typed; false where it cannot be. */
  const take = (): boolean => {
    if (!editing) return true;
    const isLeft = closedAt(editing.cell) !== null || editing.text === textAt(editing.cell);
    const problem = isLeft ? null : onType(editing.cell, editing.text);
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
      const [down, along] = event.key === "Enter" ? [by, 0] : [0, by];
      if (take()) go({ row: selected.row + down, column: selected.column + along });
    }
  };
  const onCellKey = (event: KeyboardEvent, cell: Cell) => {
    const { key, shiftKey } = event;
    const command = event.ctrlKey || event.metaKey;
    const step = STEPS[key];
    const from = shiftKey ? head : cell;
    const act = ((): (() => void) | null => {
      if (step) return () => go({ row: from.row + step[0], column: from.column + step[1] }, shiftKey);
      if (key === "Home" || key === "End") return () => go({ ...cell, column: key === "Home" ? 0 : LAST });
      if (command && key === "d") return () => onFill(selected, head.row);
      if (key === "Delete" || key === "Backspace") return () => onClear(selected, head);
      if (key === "Enter" || key === "F2") return () => edit(cell, textAt(cell));
      return key.length === 1 && !command && !event.altKey ? () => edit(cell, key) : null;
    })();
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  const range = {
    top: Math.min(selected.row, head.row),
    bottom: Math.max(selected.row, fillTo ?? head.row, head.row),
    left: Math.min(selected.column, head.column),
    right: Math.max(selected.column, head.column),
  };
  return {
    editing,
    setEditing,
    setFillTo,
    textAt,
    closedAt,
    go,
    edit,
    take,
    onEditKey,
    onCellKey,
    range,
    ...clipboardOf({ range, textAt, onPaste, isTyping: editing !== null }),
  };
}

interface ClipboardCells extends Pick<Cells, "onPaste"> {
  readonly range: {
    readonly top: number;
    readonly bottom: number;
    readonly left: number;
    readonly right: number;
  };
  readonly textAt: (cell: Cell) => string;
  readonly isTyping: boolean;
}

/** Copies the selected cells as text, and pastes text from their corner on. */
function clipboardOf({ range, textAt, onPaste, isTyping }: ClipboardCells) {
  const onCopy = (event: ClipboardEvent) => {
    if (isTyping) return;
    event.preventDefault();
    const copied = Array.from({ length: range.bottom - range.top + 1 }, (_, i) =>
      Array.from({ length: range.right - range.left + 1 }, (_, j) =>
        textAt({ row: range.top + i, column: range.left + j }),
      ),
    );
    event.clipboardData.setData("text/plain", Papa.unparse(copied, { delimiter: "\t" }));
  };
  const pasteHere = (event: ClipboardEvent) => {
    if (isTyping) return;
    event.preventDefault();
    onPaste(event.clipboardData.getData("text/plain"), { row: range.top, column: range.left });
  };
  return { onCopy, onPaste: pasteHere };
}

/** A piece named in the empty row stands there now: the next name goes into the row that is empty then. */
function useNextName(
  table: RefObject<HTMLTableElement | null>,
  { rows: { length }, selected, onSelect }: Cells,
  focus: (cell: Cell) => void,
): void {
  const before = useRef(length);
  useEffect(() => {
    const named = length === before.current + 1 && isSame(selected, { row: before.current, column: 0 });
    before.current = length;
    if (!named || !table.current?.contains(document.activeElement)) return;
    const next = { row: length, column: 0 };
    onSelect(next, next);
    focus(next);
  }, [length, selected, onSelect, table, focus]);
}
