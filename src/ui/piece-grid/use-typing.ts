"use client";

import { useRouter } from "next/navigation";
import Papa from "papaparse";
import { useCallback, useState } from "react";
import { toast } from "sonner";
import { z } from "zod";
import { type Cable, type Piece, type PiecePlan, zPiecePlan } from "@/core";
import { t } from "@/messages/piece-grid";
import { call } from "../http/http";
import { newPlan } from "../job/new-plan";
import { usePrefs } from "../prefs/prefs-context";
import { COLUMNS } from "./columns";
import { type Pasted, readPasted, writtenOver } from "./pasted";
import type { Cell } from "./use-cells";
import type { useGrid } from "./use-grid";

interface Typing {
  readonly rows: readonly Piece[];
  readonly cables: readonly Cable[];
  /** Changes rows as one act, by what it is called. */
  readonly change: ReturnType<typeof useGrid>["change"];
  readonly add: (plans: readonly PiecePlan[]) => Promise<void>;
}

/** A new plan of a piece of a cable, by the cable's first glass; null where there is no such cable. */
export const begunPlan = (cables: readonly Cable[], name: string, id: string): PiecePlan | null => {
  const cable = cables.find((each) => each.id === id);
  const [core] = cable?.cores ?? [];
  return cable && core ? newPlan(name, cable, core) : null;
};

/** What a new row starts from: the last row's cable and name. */
export const usualOf = (rows: readonly Piece[], cables: readonly Cable[]) => {
  const like = rows.at(-1)?.plan;
  return { cable: like?.cable ?? cables[0]?.id ?? "", as: like?.name ?? "" };
};

/** The title of a column without its unit. */
const titleOf = ({ title }: (typeof COLUMNS)[number]): string => title.replace(", m", "");

/** Adds pieces to a job, all or none. */
export function useAddPieces(job: string, onAdded: () => void) {
  const router = useRouter();
  const { prefs } = usePrefs();
  const [busy, setBusy] = useState(false);
  const add = async (plans: readonly PiecePlan[]): Promise<void> => {
    setBusy(true);
    const answer = await call("post /jobs/{id}", {
      params: { id: job },
      body: { pieces: plans.map((plan) => ({ plan: z.encode(zPiecePlan, plan) })), by: prefs.person },
    });
    setBusy(false);
    if (!answer.ok) return void toast.error(answer.problem.message);
    onAdded();
    router.refresh();
  };
  return { add, busy };
}

/** Typing into the grid: a cell, a fill downwards, a block of cells, or a list pasted below the last row. */
export function useTyping({ rows, cables, change, add }: Typing) {
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const onType = ({ row, column }: Cell, text: string): string | null => {
    const piece = rows[row];
    const of = COLUMNS[column];
    if (!of) return null;
    if (!piece) {
      const plan = begunPlan(cables, text.trim(), usualOf(rows, cables).cable);
      if (text.trim() === "") return null;
      if (!plan) return t("no-cable-is-on-the-shelf");
      void add([plan]);
      return null;
    }
    const written = of.write(piece.plan, text, cables);
    if (!written.ok) return written.problem.message;
    change(`${titleOf(of)} of ${written.value.name}`, [{ row, plan: written.value }]);
    return null;
  };
  const onFill = ({ row, column }: Cell, to: number) => {
    const from = rows[row];
    const of = COLUMNS[column];
    if (!from || !of || to <= row) return;
    if (of.id === "name") return void toast.error(t("names-are-not-filled-down-each"));
    const text = of.text(from.plan, cables);
    const cells = Array.from({ length: Math.min(to, rows.length - 1) - row }, () => [text]);
    write(t("filled-down", { toLowerCase: titleOf(of).toLowerCase() }), cells, {
      row: row + 1,
      column,
    });
  };
  const write = (message: string, cells: readonly (readonly string[])[], at: Cell) => {
    const over = writtenOver(
      rows.map(({ plan }) => plan),
      cells,
      at,
      cables,
    );
    if (!over.ok) return void toast.error(t("nothing-was-changed", { message: over.problem.message }));
    change(message, over.value);
  };
  const onPaste = (text: string, at: Cell) => {
    if (text.trim() === "") return void toast.error(t("the-clipboard-holds-no-text-copy"));
    const read = readPasted(text);
    const cells = Papa.parse<string[]>(text.replace(/\s+$/, ""), { delimiter: "\t" }).data;
    const isList = read.ok && (read.value.headed || at.row >= rows.length);
    if (!isList && at.row < rows.length) return write(t("cells-pasted"), cells, at);
    if (!read.ok) return void toast.error(read.problem.message);
    setPasted(read.value);
  };
  const onClear = (from: Cell, to: Cell) => {
    const [top, bottom] = [Math.min(from.row, to.row), Math.max(from.row, to.row)];
    const [left, right] = [Math.min(from.column, to.column), Math.max(from.column, to.column)];
    if (left === 0) return;
    const line = Array.from({ length: right - left + 1 }, () => "");
    write(
      t("cells-cleared"),
      Array.from({ length: bottom - top + 1 }, () => line),
      { row: top, column: left },
    );
  };
  return { onType, onFill, onPaste, onClear, pasted, leavePasted: useCallback(() => setPasted(null), []) };
}
