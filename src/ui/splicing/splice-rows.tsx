"use client";

import { CircleHelp, CircleX, Trash2 } from "lucide-react";
import { useState } from "react";
import {
  type FibreEnd,
  fibreEndBrief,
  fibreEndText,
  type Splice,
  type SplicedCable,
  type SpliceProblem,
  slotAt,
  type TraySet,
} from "@/core";
import { t } from "@/messages/splicing";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { IconButton } from "../controls/icon-button";
import { Input } from "../controls/input";
import { FibreChip } from "./fibre-chip";
import type { SplicePlanHeld } from "./use-splice-plan";

interface SpliceRowsProps {
  readonly held: SplicePlanHeld;
  readonly cables: readonly SplicedCable[];
  readonly problems: readonly SpliceProblem[];
  readonly trays: TraySet | undefined;
}

/** The table of a splice plan: a row a sleeve, and at its row what has to be looked at. */
export function SpliceRows({ held, cables, problems, trays }: SpliceRowsProps) {
  return (
    <ol aria-label={t("splices")} className="grid">
      {held.plan.splices.map((splice, i) => (
        <li key={splice.id} className="border-line border-t">
          <Row splice={splice} number={i + 1} cables={cables} trays={trays} held={held} />
          {problems
            .filter((problem) => problem.splice === splice.id)
            .map((problem) => (
              <Problem key={problem.message.key} problem={problem} cables={cables} held={held} />
            ))}
        </li>
      ))}
    </ol>
  );
}

interface RowProps extends Pick<SpliceRowsProps, "held" | "cables" | "trays"> {
  readonly splice: Splice;
  readonly number: number;
}

function Row({ splice, number, cables, trays, held }: RowProps) {
  return (
    <div className="flex min-h-12 flex-wrap items-center gap-x-2 py-1">
      <span className="w-8 text-right font-bold font-figure">{number}</span>
      <FibreChip end={splice.a} cables={cables} />
      <EndPlace end={splice.a} cables={cables} />
      <span aria-hidden="true">→</span>
      <FibreChip end={splice.b} cables={cables} />
      <EndPlace end={splice.b} cables={cables} />
      {splice.count > 1 && (
        <span className="text-soft text-sm">{t("spliced-fibres", { count: splice.count })}</span>
      )}
      {splice.note && <span className="text-soft text-sm">{splice.note}</span>}
      {trays && <SlotField key={splice.slot} splice={splice} number={number} trays={trays} held={held} />}
      <IconButton
        className="no-print"
        name={t("remove-splice", { number })}
        onClick={() => held.remove(splice.id)}
      >
        <Trash2 aria-hidden="true" className="size-4" />
      </IconButton>
    </div>
  );
}

interface SlotFieldProps extends Pick<RowProps, "splice" | "number" | "held"> {
  readonly trays: TraySet;
}

/** The slot a splice lies in, as it is typed: what is no free slot of its kind is said and changes nothing. */
function SlotField({ splice, number, trays, held }: SlotFieldProps) {
  const [problem, setProblem] = useState("");
  const takeSlot = (text: string) => {
    const place = text === "" ? null : slotAt(trays, text);
    const isTaken = held.plan.splices.some(
      ({ id, slot }) => id !== splice.id && slot === text && text !== "",
    );
    const slot = trays.slots.find(({ id }) => id === place?.slot);
    if (text !== "" && !slot) return setProblem(t("no-slot-of-that-name", { example: "1.5" }));
    if (isTaken) return setProblem(t("slot-is-taken", { slot: text }));
    if (slot && (slot.ribbon === true) !== splice.count > 1) return setProblem(t("slot-of-another-kind"));
    setProblem("");
    if (text !== (splice.slot ?? "")) held.toSlot(splice.id, text || null);
  };
  return (
    <label className="flex flex-wrap items-center gap-1 text-sm">
      <span className="text-soft">{t("slot")}</span>
      <Input
        aria-label={t("slot-of-splice", { number })}
        aria-invalid={problem ? true : undefined}
        defaultValue={splice.slot ?? ""}
        maxLength={8}
        onBlur={({ target }) => takeSlot(target.value.trim())}
        onKeyDown={({ key, currentTarget }) => key === "Enter" && takeSlot(currentTarget.value.trim())}
        className="w-16 px-1 text-center font-figure"
      />
      <span role="alert" className="w-full text-out empty:hidden">
        {problem}
      </span>
    </label>
  );
}

/** Where an end lies, in brief; its cable's name for whoever asks. */
function EndPlace({ end, cables }: { readonly end: FibreEnd; readonly cables: readonly SplicedCable[] }) {
  return (
    <span title={fibreEndText(cables, end)} className="min-w-0 flex-1 truncate">
      {fibreEndBrief(cables, end)}
    </span>
  );
}

interface ProblemProps extends Pick<SpliceRowsProps, "held" | "cables"> {
  readonly problem: SpliceProblem;
}

/** What is wrong at a row, or to be meant so: in words, with the way on. */
function Problem({ problem: { splice, kind, message, instead }, cables, held }: ProblemProps) {
  const [noting, setNoting] = useState(false);
  const isWrong = kind === "wrong";
  const Mark = isWrong ? CircleX : CircleHelp;
  return (
    <div
      className={`mb-2 ml-8 rounded-md border-l-4 px-3 py-2 ${isWrong ? "border-out bg-now-wash" : "border-unsure"}`}
    >
      <p className="flex items-center gap-2 font-semibold">
        <Mark aria-hidden="true" className={`size-5 shrink-0 ${isWrong ? "text-out" : "text-unsure"}`} />
        {message.text}
      </p>
      <p className="mt-1 flex flex-wrap gap-2">
        {instead && (
          <Button size="small" look={isWrong ? "next" : "plain"} onClick={() => held.putOn(splice, instead)}>
            {t("put-it-on", { end: fibreEndText(cables, instead) })}
          </Button>
        )}
        {!isWrong && !noting && (
          <Button look="link" onClick={() => setNoting(true)}>
            {t("keep-with-a-note")}
          </Button>
        )}
      </p>
      {noting && (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const note = String(new FormData(event.currentTarget).get("note") ?? "").trim();
            if (note) held.note(splice, note);
          }}
        >
          <Field
            title={t("note-why")}
            name="note"
            placeholder={t("note-example")}
            maxLength={200}
            autoFocus
          />
          <Button type="submit" size="small">
            {t("keep-with-a-note")}
          </Button>
        </form>
      )}
    </div>
  );
}
