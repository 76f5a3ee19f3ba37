"use client";

import { Undo2 } from "lucide-react";
import { useRouter } from "next/navigation";
import Papa from "papaparse";
import { useCallback, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { toast } from "sonner";
import { z } from "zod";
import {
  attempt,
  type Cable,
  type Piece,
  type PieceNeeds,
  type PieceParts,
  type PiecePlan,
  pieceNeeds,
  zPiecePlan,
} from "@/core";
import { t } from "@/messages/piece-grid";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { call } from "../http/http";
import { newPlan } from "../job/new-plan";
import { metresText, unsaidText } from "../plan/metres";
import { usePrefs } from "../prefs/prefs-context";
import { COLUMNS } from "./columns";
import { GridTable } from "./grid-table";
import { type Pasted, readPasted, writtenOver } from "./pasted";
import { PastedPanel } from "./pasted-panel";
import { BarScale, PieceBar } from "./piece-bar";
import type { Cell } from "./use-cells";
import { useGrid } from "./use-grid";

interface GridViewProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly pieces: readonly Piece[];
  /** How many there are in all: the rest are not on this page. */
  readonly count: number;
  /** What each piece's need is worked out from, by its id; null where that cannot be worked out. */
  readonly parts: Readonly<Record<string, Omit<PieceParts, "cable"> | null>>;
  readonly cables: readonly Cable[];
}

const NO_PARTS: Omit<PieceParts, "cable"> = {
  reach: {},
  sheets: { A: null, B: null },
  opened: { A: null, B: null },
};

/** The pieces of a job as a grid: typed, filled down and pasted from a spreadsheet, each with what it must be cut to. */
export function GridView({ job, pieces, count, parts, cables }: GridViewProps) {
  const router = useRouter();
  const { prefs } = usePrefs();
  const { rows, change, undo, saving, last } = useGrid(pieces);
  const [selected, setSelected] = useState<Cell>({ row: pieces.length, column: 0 });
  const [head, setHead] = useState<Cell>(selected);
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const [busy, setBusy] = useState(false);
  const [before, setBefore] = useState<number | null>(null);
  useHotkeys("z, mod+z", undo, { preventDefault: true }, [undo]);
  const needs = useMemo(
    () =>
      rows.map(({ id, plan }): PieceNeeds | null => {
        const cable = cables.find((each) => each.id === plan.cable);
        return cable ? attempt(() => pieceNeeds(plan, { cable, ...(parts[id] ?? NO_PARTS) })).value : null;
      }),
    [rows, parts, cables],
  );
  const total = needs.reduce((sum, each) => sum + (each?.cut ?? 0), 0);
  const longest = Math.max(1, ...needs.map((each) => each?.exact ?? 0));
  const begun = (name: string, id: string): PiecePlan | null => {
    const cable = cables.find((each) => each.id === id);
    const [core] = cable?.cores ?? [];
    return cable && core ? newPlan(name, cable, core) : null;
  };
  const like = rows.at(-1)?.plan;
  const usual = { cable: like?.cable ?? cables[0]?.id ?? "", as: like?.name ?? "" };

  const add = async (plans: readonly PiecePlan[]): Promise<void> => {
    setBusy(true);
    const answer = await call("post /jobs/{id}", {
      params: { id: job.id },
      body: {
        pieces: plans.map((plan) => ({ plan: z.encode(zPiecePlan, plan) })),
        by: prefs.person,
      },
    });
    setBusy(false);
    if (!answer.ok) return void toast.error(answer.problem.message);
    setPasted(null);
    setBefore(total);
    router.refresh();
  };
  const act = (message: string, changes: Parameters<typeof change>[1]) => {
    setBefore(total);
    change(message, changes);
  };
  const onType = ({ row, column }: Cell, text: string): string | null => {
    const piece = rows[row];
    const of = COLUMNS[column];
    if (!of) return null;
    if (!piece) {
      const plan = begun(text.trim(), usual.cable);
      if (text.trim() === "") return null;
      if (!plan) return t("no-cable-is-on-the-shelf");
      void add([plan]);
      return null;
    }
    const written = of.write(piece.plan, text, cables);
    if (!written.ok) return written.problem.message;
    act(`${of.title.replace(", m", "")} of ${written.value.name}`, [{ row, plan: written.value }]);
    return null;
  };
  const onFill = ({ row, column }: Cell, to: number) => {
    const from = rows[row];
    const of = COLUMNS[column];
    if (!from || !of || to <= row) return;
    if (of.id === "name") return void toast.error(t("names-are-not-filled-down-each"));
    const text = of.text(from.plan, cables);
    const cells = Array.from({ length: Math.min(to, rows.length - 1) - row }, () => [text]);
    write(t("filled-down", { toLowerCase: of.title.replace(", m", "").toLowerCase() }), cells, {
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
    act(message, over.value);
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
  const select = useCallback((anchor: Cell, to: Cell) => {
    setSelected(anchor);
    setHead(to);
  }, []);
  const difference = before === null ? 0 : total - before;
  return (
    <main className="min-w-0 flex-1">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3 sm:px-6">
        <h1 className="min-w-0 truncate font-bold text-xl">
          <Link href={`/jobs/${job.id}`} className="underline decoration-line">
            {job.name}
          </Link>
        </h1>
        <p className="mr-auto text-soft">{t("pieces-as-a-grid")}</p>
        <span role="status" className="text-soft">
          {saving ? t("keeping-of", { value: saving.done + 1, of: saving.of }) : ""}
        </span>
        <Button disabled={last === null} onClick={undo}>
          <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
        </Button>
      </header>
      <p className="flex flex-wrap items-baseline gap-x-3 px-4 pb-3 sm:px-6" aria-live="polite">
        <span className="figures font-bold text-5xl leading-none">{metresText(total)}</span>
        <span className="text-lg">
          {t("m-to-cut-other", { length: rows.length })}
          {count > rows.length && ` of ${count}`}
        </span>
        {difference !== 0 && (
          <span className="font-semibold text-now">
            {t("than-before", {
              metresText: metresText(Math.abs(difference)),
              value: difference > 0 ? "more" : "less",
            })}
            {last && `: ${last}`}
          </span>
        )}
      </p>
      <GridTable
        rows={rows}
        cables={cables}
        selected={selected}
        head={head}
        onSelect={select}
        onType={onType}
        onFill={onFill}
        onClear={(from, to) => {
          const [top, bottom] = [Math.min(from.row, to.row), Math.max(from.row, to.row)];
          const [left, right] = [Math.min(from.column, to.column), Math.max(from.column, to.column)];
          if (left === 0) return;
          const line = Array.from({ length: right - left + 1 }, () => "");
          write(
            t("cells-cleared"),
            Array.from({ length: bottom - top + 1 }, () => line),
            { row: top, column: left },
          );
        }}
        onPaste={onPaste}
        endHead={
          <>
            <th scope="col" className="border-line border-l px-2 text-right">
              {t("cut-m")}
            </th>
            <th scope="col" className="px-2">
              <span className="sr-only">{t("drawn-to-one-scale-metres")}</span>
              <BarScale longest={longest} />
            </th>
          </>
        }
        end={(piece, row) => {
          const need = needs[row] ?? null;
          const cable = cables.find(({ id }) => id === piece.plan.cable);
          return (
            <>
              <td className="px-2 text-right">
                {need ? (
                  <span
                    className="figures font-bold text-lg"
                    title={need.unsaid.map((each) => unsaidText(each, piece.plan)).join("; ") || undefined}
                  >
                    {metresText(need.cut)}
                    {need.unsaid.length > 0 && (
                      <span className="block font-normal font-sans text-soft text-xs">
                        {t("so-far-not-said", { length: need.unsaid.length })}
                      </span>
                    )}
                  </span>
                ) : (
                  <span className="text-out text-sm">{t("cannot-be")}</span>
                )}
              </td>
              <td className="px-2">
                {need && cable && <PieceBar cable={cable} needs={need} longest={longest} />}
              </td>
            </>
          );
        }}
      />
      {pasted && (
        <PastedPanel
          key={JSON.stringify(pasted.rows).length}
          pasted={pasted}
          cables={cables}
          usual={usual}
          begun={begun}
          busy={busy}
          onPut={add}
          onLeave={() => setPasted(null)}
        />
      )}
      <p className="px-4 py-3 text-soft text-sm sm:px-6">{t("type-in-a-cell-enter-goes")}</p>
    </main>
  );
}
