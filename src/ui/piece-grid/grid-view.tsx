"use client";

import { Undo2 } from "lucide-react";
import { useCallback, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  attempt,
  type Cable,
  type Piece,
  type PieceNeeds,
  type PieceParts,
  type PiecePlan,
  pieceNeeds,
} from "@/core";
import { t } from "@/messages/piece-grid";
import { Button } from "../controls/button";
import { FileButton } from "../controls/file-button";
import { Link } from "../controls/link";
import { saveFile } from "../controls/save-file";
import { metresText, unsaidText } from "../plan/metres";
import { GridTable } from "./grid-table";
import { gridCsv } from "./pasted";
import { PastedPanel } from "./pasted-panel";
import { BarScale, PieceBar } from "./piece-bar";
import type { Cell } from "./use-cells";
import { useGrid } from "./use-grid";
import { begunPlan, useAddPieces, useTyping, usualOf } from "./use-typing";

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
  const { rows, change, undo, saving, last } = useGrid(pieces);
  const [selected, setSelected] = useState<Cell>({ row: pieces.length, column: 0 });
  const [head, setHead] = useState<Cell>(selected);
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
  const { add, busy } = useAddPieces(job.id, () => {
    typing.leavePasted();
    setBefore(total);
  });
  const typing = useTyping({
    rows,
    cables,
    add,
    change: (message, changes) => {
      setBefore(total);
      change(message, changes);
    },
  });
  const select = useCallback((anchor: Cell, to: Cell) => {
    setSelected(anchor);
    setHead(to);
  }, []);
  return (
    <main className="min-w-0 flex-1">
      <GridHead
        job={job}
        saving={saving}
        onUndo={last === null ? null : undo}
        onSave={() => saveCsv(rows, cables)}
        onOpen={async (file) => typing.onPaste(await file.text(), { row: rows.length, column: 0 })}
      />
      <Total total={total} before={before} last={last} shown={rows.length} count={count} />
      <GridTable
        rows={rows}
        cables={cables}
        selected={selected}
        head={head}
        onSelect={select}
        onType={typing.onType}
        onFill={typing.onFill}
        onClear={typing.onClear}
        onPaste={typing.onPaste}
        endHead={<CutHeads longest={longest} />}
        end={(piece, row) => (
          <CutCells
            plan={piece.plan}
            cable={cables.find(({ id }) => id === piece.plan.cable)}
            need={needs[row] ?? null}
            longest={longest}
          />
        )}
      />
      {typing.pasted && (
        <PastedPanel
          key={JSON.stringify(typing.pasted.rows).length}
          pasted={typing.pasted}
          cables={cables}
          usual={usualOf(rows, cables)}
          begun={(name, id) => begunPlan(cables, name, id)}
          busy={busy}
          onPut={add}
          onLeave={typing.leavePasted}
        />
      )}
      <p className="px-4 py-3 text-soft text-sm sm:px-6">{t("type-in-a-cell-enter-goes")}</p>
    </main>
  );
}

const saveCsv = (rows: readonly Piece[], cables: readonly Cable[]): void => {
  const plans = rows.map(({ plan }) => plan);
  saveFile("arlent-pieces.csv", "text/csv", gridCsv(plans, cables));
};

interface GridHeadProps {
  readonly job: GridViewProps["job"];
  readonly saving: ReturnType<typeof useGrid>["saving"];
  /** Null where there is nothing to undo. */
  readonly onUndo: (() => void) | null;
  readonly onSave: () => void;
  readonly onOpen: (file: File) => void;
}

function GridHead({ job, saving, onUndo, onSave, onOpen }: GridHeadProps) {
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3 sm:px-6">
      <h1 className="min-w-0 truncate font-bold text-xl">
        <Link href={`/jobs/${job.id}`} className="underline decoration-line">
          {job.name}
        </Link>
      </h1>
      <p className="mr-auto text-soft">{t("pieces-as-a-grid")}</p>
      <span role="status" className="text-soft">
        {saving && t("keeping-of", { value: saving.done + 1, of: saving.of })}
        {!saving && onUndo && t("all-saved")}
      </span>
      <Button onClick={onSave}>{t("save-as-csv")}</Button>
      <FileButton name={t("open-a-csv")} accept=".csv,.tsv,.txt" onFile={onOpen} />
      <Button disabled={onUndo === null} onClick={onUndo ?? undefined}>
        <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
      </Button>
    </header>
  );
}

interface TotalProps {
  readonly total: number;
  /** As it was before the last change; null before the first. */
  readonly before: number | null;
  /** What the last change is called. */
  readonly last: string | null;
  readonly shown: number;
  readonly count: number;
}

/** All there is to cut, and what the last change did to it. */
function Total({ total, before, last, shown, count }: TotalProps) {
  const difference = before === null ? 0 : total - before;
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 px-4 pb-3 sm:px-6" aria-live="polite">
      <span className="figures font-bold text-5xl leading-none">{metresText(total)}</span>
      <span className="text-lg">
        {t("m-to-cut-other", { length: shown })}
        {count > shown && ` of ${count}`}
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
  );
}

/** Heads of the columns that show what each piece is cut to. */
const CutHeads = ({ longest }: { longest: number }) => (
  <>
    <th scope="col" className="border-line border-l px-2 text-right">
      {t("cut-m")}
    </th>
    <th scope="col" className="px-2">
      <span className="sr-only">{t("drawn-to-one-scale-metres")}</span>
      <BarScale longest={longest} />
    </th>
  </>
);

interface CutCellsProps {
  readonly plan: PiecePlan;
  readonly cable: Cable | undefined;
  readonly need: PieceNeeds | null;
  readonly longest: number;
}

/** What a piece must be cut to, as a figure and drawn to one scale with the others. */
function CutCells({ plan, cable, need, longest }: CutCellsProps) {
  return (
    <>
      <td className="px-2 text-right">
        {need ? (
          <span
            className="figures font-bold text-lg"
            title={need.unsaid.map((each) => unsaidText(each, plan)).join("; ") || undefined}
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
      <td className="px-2">{need && cable && <PieceBar cable={cable} needs={need} longest={longest} />}</td>
    </>
  );
}
