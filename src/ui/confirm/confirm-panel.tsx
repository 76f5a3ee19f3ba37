"use client";

import { Dialog } from "radix-ui";
import { type KeyboardEvent, useRef } from "react";
import { isAsShown, mustHoldAt, type SheetFigure } from "@/core";
import { t } from "@/messages/confirm";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import type { ConfirmProps } from "./confirm-props";
import type { Row, RowRead } from "./read-figure";
import { useConfirming } from "./use-confirming";

/** Every figure of a sheet on one screen, to be held against the sheet that came with the part: Enter through. */
export function ConfirmPanel(props: ConfirmProps) {
  const { procedure, onClose, onLater } = props;
  const confirming = useConfirming(props);
  const { figures, rows, reads, tried, wrong, problem, change, keep } = confirming;
  const form = useRef<HTMLFormElement>(null);
  /** Enter goes on to the next figure; past the last, to the button that keeps them all. */
  const onEnter = (event: KeyboardEvent<HTMLElement>) => {
    const field = event.target;
    if (event.key !== "Enter" || !(field instanceof HTMLInputElement)) return;
    event.preventDefault();
    const stops = [...(form.current?.querySelectorAll<HTMLElement>("[data-figure], [data-keep]") ?? [])];
    const at = stops.findIndex((stop) => stop.dataset.figure === field.dataset.row);
    const next = stops[at + 1];
    next?.focus();
    if (next instanceof HTMLInputElement) next.select();
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content className="fixed inset-2 z-40 mx-auto flex max-w-5xl flex-col overflow-hidden rounded-lg border border-line bg-ground shadow-xl sm:inset-4">
          <form ref={form} onSubmit={keep} onKeyDown={onEnter} className="flex min-h-0 flex-1 flex-col">
            <div className="border-line border-b px-4 py-3 sm:px-6">
              <Dialog.Title className="font-bold text-2xl">{t("hold-these-against-the-part-s")}</Dialog.Title>
              <Dialog.Description className="max-w-prose text-soft">
                {t("figures-representative-until-you-have-seen", {
                  name: procedure.name,
                  length: figures.length,
                })}
              </Dialog.Description>
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto px-2 sm:px-6">
              <ul>
                {figures.map((figure, i) => (
                  <FigureRow
                    key={figure.key}
                    figure={figure}
                    row={mustHoldAt(rows, i)}
                    read={mustHoldAt(reads, i)}
                    tried={tried}
                    first={i === 0}
                    onChange={(changes) => change(i, changes)}
                  />
                ))}
              </ul>
              <WhoConfirms confirming={confirming} />
            </div>
            <div className="grid gap-2 border-line border-t px-4 py-3 sm:px-6">
              <p role="alert" className="font-semibold text-out empty:hidden">
                {problem ?? (tried && wrong > 0 ? t("of-them-cannot-be-kept-as", { wrong }) : "")}
              </p>
              <div className="flex flex-wrap gap-2">
                <Button size="large" onClick={onClose}>
                  {t("back")}
                </Button>
                <Button size="large" onClick={onLater}>
                  {t("not-now-begin-unchecked")}
                </Button>
                <Button look="next" size="large" type="submit" data-keep className="flex-1">
                  {t("they-are-right-keep-and-begin")}
                </Button>
              </div>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Whose word it is, and the sheet it is taken from. */
function WhoConfirms({ confirming }: { confirming: ReturnType<typeof useConfirming> }) {
  const { name, setName, sheet, setSheet, unnumbered, setUnnumbered, why, setWhy } = confirming;
  return (
    <div className="grid gap-x-4 gap-y-2 py-3 sm:grid-cols-2">
      <label className="flex min-w-0 flex-1 items-center gap-2">
        <span className="text-soft">{t("confirmed-by")}</span>
        <Input
          value={name}
          maxLength={120}
          autoComplete="name"
          onChange={(event) => setName(event.target.value)}
          placeholder={t("your-name")}
          className="min-w-0 flex-1"
        />
      </label>
      <label className="flex min-w-0 flex-1 items-center gap-2">
        <span className="text-soft">{t("sheet-number")}</span>
        <Input
          value={sheet}
          maxLength={80}
          disabled={unnumbered}
          onChange={(event) => setSheet(event.target.value)}
          placeholder={t("as-printed-on-it")}
          className="min-w-0 flex-1"
        />
      </label>
      <label className="flex min-h-12 items-center gap-2">
        <input
          type="checkbox"
          checked={unnumbered}
          onChange={(event) => setUnnumbered(event.target.checked)}
          className="size-6 accent-(--now)"
        />
        {t("no-number-on-it")}
      </label>
      <label className="flex min-w-0 flex-1 items-center gap-2">
        <span className="text-soft">{t("note")}</span>
        <Input
          value={why}
          maxLength={200}
          onChange={(event) => setWhy(event.target.value)}
          placeholder={t("its-date-if-any")}
          className="min-w-0 flex-1"
        />
      </label>
    </div>
  );
}

interface FigureRowProps {
  readonly figure: SheetFigure;
  readonly row: Row;
  readonly read: RowRead;
  readonly tried: boolean;
  readonly first: boolean;
  readonly onChange: (changes: Partial<Row>) => void;
}

function FigureRow({ figure, row, read, tried, first, onChange }: FigureRowProps) {
  const { key, name, about, unit, representative } = figure;
  const message =
    read.kind === "disagree" || (read.kind === "bad" && (tried || row.value !== "")) ? read.message : "";
  const field = (which: "value" | "plus" | "minus" | "most" | "beside", label: string, width: string) => (
    <input
      aria-label={`${name}: ${label}`}
      value={row[which]}
      data-row={key}
      {...(which === "value" ? { "data-figure": key } : {})}
      // biome-ignore lint/a11y/noAutofocus: the first figure is where the work of this screen begins
      autoFocus={first && which === "value"}
      onFocus={(event) => event.target.select()}
      onChange={(event) => onChange({ [which]: event.target.value, chosen: null })}
      aria-invalid={read.kind !== "ok"}
      maxLength={40}
      autoComplete="off"
      className={`figures min-h-12 rounded-md border bg-field px-2 ${which === "value" ? "border-ink font-bold text-xl" : "border-line"} ${width}`}
    />
  );
  return (
    <li className="grid gap-x-3 gap-y-1 border-line border-b py-2 sm:grid-cols-[minmax(0,1fr)_auto] sm:items-center">
      <span className="min-w-0 leading-tight">
        <span className={`font-semibold ${representative ? "representative" : ""}`}>{name}</span>
        <span className="block text-soft text-sm">
          {about}
          {read.kind === "ok" && !isAsShown(figure, read) && (
            <span className="font-semibold text-ink"> {t("changed-from", { value: figure.value })}</span>
          )}
        </span>
      </span>
      <span className="flex flex-wrap items-center gap-1.5">
        {field("value", t("figure-in", { unit }), "w-24")}
        {unit === "s" ? (
          <>
            {t("to")} {field("most", t("longest-in-s"), "w-20")} s
          </>
        ) : (
          <span className="text-soft">{unit}</span>
        )}
        {unit === "mm" && (
          <>
            <span aria-hidden="true" className="text-soft">
              +
            </span>
            {field("plus", t("tolerance-above"), "w-16")}
            <span aria-hidden="true" className="text-soft">
              −
            </span>
            {field("minus", t("tolerance-below"), "w-16")}
            <span className="text-soft">{t("printed-too")}</span>
            {field("beside", t("the-same-in-the-other-unit"), "w-24")}
          </>
        )}
      </span>
      {message && (
        <p role="status" className="font-semibold text-out sm:col-span-2">
          {message}{" "}
          {read.kind === "disagree" &&
            (["value", "beside"] as const).map((which) => (
              <Button key={which} onClick={() => onChange({ chosen: which })} className="mr-2 text-ink">
                {row[which]}
              </Button>
            ))}
        </p>
      )}
    </li>
  );
}
