"use client";

import { ClipboardPaste, X } from "lucide-react";
import { useState } from "react";
import type { Cable, PiecePlan } from "@/core";
import { t } from "@/messages/piece-grid";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { COLUMNS } from "./columns";
import { type Pasted, type PastedRow, planOfRow } from "./pasted";

interface PastedPanelProps {
  readonly pasted: Pasted;
  readonly cables: readonly Cable[];
  /** The cable of a row that names none, and the piece it is taken from. */
  readonly usual: { readonly cable: string; readonly as: string };
  readonly begun: (name: string, cable: string) => PiecePlan | null;
  readonly busy: boolean;
  readonly onPut: (plans: readonly PiecePlan[]) => void;
  readonly onLeave: () => void;
}

/** A list from the clipboard before it is put in: each row as it was read, what could not be, and what was meant. */
export function PastedPanel({ pasted, cables, usual, begun, busy, onPut, onLeave }: PastedPanelProps) {
  const [rows, setRows] = useState<readonly PastedRow[]>(pasted.rows);
  const planned = rows.map((row) => planOfRow(row, begun, usual.cable, cables));
  const plans = planned.flatMap(({ plan }) => plan ?? []);
  const unread = planned.reduce((sum, { problems }) => sum + problems.length, 0);
  const read =
    rows.reduce((sum, row) => sum + Object.values(row).filter((text) => text !== "").length, 0) - unread;
  const shown = COLUMNS.filter(({ id }) => id === "name" || pasted.columns.includes(id));
  const set = (at: number, id: string, text: string) =>
    setRows((before) => before.map((row, i) => (i === at ? { ...row, [id]: text } : row)));
  return (
    <section aria-labelledby="clipboard" className="border-inch border-t-2 bg-note">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2 sm:px-6">
        <ClipboardPaste aria-hidden="true" className="size-6" />
        <h2 id="clipboard" className="font-bold text-xl">
          {t("on-the-clipboard-other", { length: rows.length })}
        </h2>
        <p role="status" className="mr-auto">
          {t("cells-read", { read })}
          {unread > 0 && t("not", { unread })}
          {t("nothing-is-changed-yet")}
        </p>
        <Button onClick={onLeave}>{t("leave")}</Button>
        <Button look="strong" disabled={busy || plans.length === 0} onClick={() => onPut(plans)}>
          {t("put-in-other", { length: plans.length })}
        </Button>
      </div>
      <div className="relative overflow-x-auto">
        <table className="w-full min-w-[48rem] border-collapse">
          <thead>
            <tr className="border-line border-t text-left text-soft text-sm">
              {shown.map(({ id, title, figure }) => (
                <th
                  key={id}
                  scope="col"
                  className={`px-2 font-semibold ${figure ? "w-24 text-right" : id === "cable" ? "w-64" : ""}`}
                >
                  {title}
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">{t("what-is-wrong")}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, at) => {
              const problems = planned[at]?.problems ?? [];
              return (
                <PastedLine
                  // biome-ignore lint/suspicious/noArrayIndexKey: rows keep their place; one left out takes its own away
                  key={at}
                  row={row}
                  at={at}
                  shown={shown}
                  problems={problems}
                  usualCable={cables.find((cable) => cable.id === usual.cable)?.name}
                  onCell={(id, text) => set(at, id, text)}
                  onLeaveOut={() => setRows((before) => before.filter((_, i) => i !== at))}
                />
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="px-4 py-2 text-sm sm:px-6">
        {t("columns-read", {
          value: pasted.headed ? t("by-their-heads") : t("in-the-order-of-the-list"),
          value2: shown.map(({ title }) => title).join(", "),
        })}{" "}
        {!pasted.columns.includes("cable") &&
          usual.as !== "" &&
          t("the-cable-is-taken-as-in", { as: usual.as })}{" "}
        {t("what-is-not-in-the-list")}
      </p>
    </section>
  );
}

interface PastedLineProps {
  readonly row: PastedRow;
  readonly at: number;
  readonly shown: readonly (typeof COLUMNS)[number][];
  readonly problems: ReturnType<typeof planOfRow>["problems"];
  readonly usualCable: string | undefined;
  readonly onCell: (column: string, text: string) => void;
  readonly onLeaveOut: () => void;
}

/** A row as it was read: each cell to be corrected, and what could not be read. */
function PastedLine({ row, at, shown, problems, usualCable, onCell, onLeaveOut }: PastedLineProps) {
  return (
    <tr className={`border-line border-t ${problems.length > 0 ? "bg-now-wash" : ""}`}>
      {shown.map(({ id, title, figure }) => {
        const isWrong = problems.some(({ column }) => column === id);
        return (
          <td key={id} className="p-0">
            <input
              aria-label={t("row", { value: at + 1, title })}
              aria-invalid={isWrong}
              value={row[id] ?? ""}
              maxLength={200}
              autoComplete="off"
              placeholder={id === "cable" ? usualCable : undefined}
              onChange={({ target }) => onCell(id, target.value)}
              className={`min-h-11 w-full px-2 ${figure ? "figures text-right" : ""} ${isWrong ? "rounded-md border-2 border-out bg-field font-bold text-out" : "bg-transparent"}`}
            />
          </td>
        );
      })}
      <td className="px-2">
        <span className="flex flex-wrap items-center gap-x-3">
          {problems.map(({ column, message, meant }) => (
            <span key={column} className="font-semibold text-sm">
              {message}{" "}
              {meant !== null && (
                <Button look="text" onClick={() => onCell(column, meant)} className="text-ink">
                  {t("take", { meant })}
                </Button>
              )}
            </span>
          ))}
          <IconButton name={t("leave-row-out", { value: at + 1 })} onClick={onLeaveOut}>
            <X aria-hidden="true" className="size-5" />
          </IconButton>
        </span>
      </td>
    </tr>
  );
}
