"use client";

import { useState } from "react";
import {
  type ClosureAtWork,
  type ClosureEvent,
  fibreEndText,
  laidIn,
  loopShape,
  redoneSplice,
  type SpliceState,
  type Splicing,
  slotText,
  splicedIn,
  type TraySet,
} from "@/core";
import { t } from "@/messages/closure-work";
import { decimal as shownDecimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import { FibreChip } from "../splicing/fibre-chip";
import { triesText } from "./tries-text";
import { TrySplice } from "./try-splice";

interface MakeSpliceProps {
  readonly splicing: readonly Splicing[];
  readonly state: SpliceState;
  readonly number: number;
  readonly at: ClosureAtWork;
  readonly happen: (event: ClosureEvent) => Promise<string>;
  /** Slots taken by others. */
  readonly taken: readonly string[];
  readonly onSlot: (slot: string) => void;
  /** Whether the first field is to be typed in at once. */
  readonly goesOn: boolean;
}

const mm = (um: number): string => shownDecimal(String(Math.round(um / 100) / 10));

/** One splice: both fibres' colours as they are seen, what the splicer estimates; and what a failed one takes. */
export function MakeSplice({ splicing, ...props }: MakeSpliceProps) {
  const { state, number, at, happen, taken, onSlot, goesOn } = props;
  const { splice, standing, laid } = state;
  return (
    <section aria-label={t("make-splice", { number })} className="grid gap-3">
      <h2 className="flex flex-wrap items-center gap-2 font-bold text-2xl">
        <FibreChip end={splice.a} cables={splicedIn(at)} />
        <span aria-hidden="true">—</span>
        <FibreChip end={splice.b} cables={splicedIn(at)} />
        {t("make-splice", { number })}
      </h2>
      <p>
        {fibreEndText(splicedIn(at), splice.a)} → {fibreEndText(splicedIn(at), splice.b)}
        {splice.slot && ` · ${t("slot-of", { slot: splice.slot })}`}
      </p>
      {standing === "out" && <Failed state={state} at={at} happen={happen} />}
      <SlotPicker state={state} at={at} taken={taken} onSlot={onSlot} />
      <Lies laid={laid} slot={splice.slot} trays={at.entry.trays} />
      <TrySplice
        key={`${splice.id} ${state.estimates.length}`}
        {...{ state, number, at, splicing, happen, goesOn }}
      />
      {standing !== "left" && (
        <ReasonForm
          label={t("leave-it-out")}
          onReason={(reason) => happen({ kind: "leave", splice: splice.id, reason })}
        />
      )}
    </section>
  );
}

interface LiesProps {
  readonly laid: SpliceState["laid"];
  readonly slot: string | null;
  readonly trays: TraySet | undefined;
}

/** How the fibres lie in the slot once it is made: trims first, then loops. */
function Lies({ laid, slot, trays }: LiesProps) {
  if (slot === null || !laid || !trays) return null;
  const { a, b } = laid;
  if (a.trim === null || b.trim === null)
    return <p className="font-bold text-out">{t("lies-nowhere", { slot })}</p>;
  return (
    <div className="text-sm">
      <p className="font-semibold">
        {a.trim + b.trim === 0 ? t("lies-as-it-is") : t("lies-after-trims", { a: mm(a.trim), b: mm(b.trim) })}
      </p>
      <ul className="text-soft">
        {([a, b] as const).map(
          ({ turns, perimeter }, i) =>
            turns !== null &&
            perimeter !== null && (
              <li key={i === 0 ? "a" : "b"}>
                {i === 0 ? "A" : "B"}:{" "}
                {t("turns-and-radius", {
                  turns: shownDecimal(String(turns)),
                  perimeter: mm(perimeter),
                  radius: shownDecimal((loopShape(trays, perimeter).radius / 1_000).toFixed(1)),
                })}
              </li>
            ),
        )}
      </ul>
    </div>
  );
}

/** Every slot the splice may lie in, with what it would trim there. */
function SlotPicker({
  state,
  at,
  taken,
  onSlot,
}: Pick<MakeSpliceProps, "state" | "at" | "taken" | "onSlot">) {
  const { trays } = at.entry;
  const { lengths, splice } = state;
  if (!trays || !lengths) return null;
  const options = Array.from({ length: trays.most }, (_, i) => i + 1).flatMap((tray) =>
    trays.slots
      .filter(({ ribbon }) => (ribbon === true) === splice.count > 1)
      .map(({ id }) => ({ id: slotText({ tray, slot: id }), laid: laidIn(trays, id, lengths) }))
      .filter(({ id }) => !taken.includes(id))
      .map(({ id, laid }) => ({
        id,
        name:
          laid && laid.a.trim !== null && laid.b.trim !== null
            ? t("slot-trim", { slot: id, trim: mm(laid.a.trim + laid.b.trim) })
            : t("slot-no-reach", { slot: id }),
      })),
  );
  return (
    <Select
      title={t("slot")}
      options={options}
      value={splice.slot ?? ""}
      onPick={onSlot}
      className="no-print max-w-sm"
    />
  );
}

/** What a failed splice takes: off both sides, and whether it still lies. */
function Failed({ state, at, happen }: Pick<MakeSpliceProps, "state" | "at" | "happen">) {
  const redone = redoneSplice(at, state);
  return (
    <div className="grid gap-2 rounded-md border-2 border-out px-3 py-2">
      <p className="font-bold text-out">
        {t("is-above", {
          estimate: shownDecimal(String(state.estimates.at(-1) ?? 0)),
          limit: shownDecimal(String(at.plan.limitDb)),
        })}
      </p>
      {redone && (
        <p>
          {t("again-takes", { perTry: mm(redone.perTry) })} {triesText(state.triesLeft)}
        </p>
      )}
      <ReasonForm
        label={t("accept-it")}
        onReason={(reason) => happen({ kind: "accept", splice: state.splice.id, reason })}
      />
    </div>
  );
}

interface ReasonFormProps {
  readonly label: string;
  readonly onReason: (reason: string) => Promise<string>;
}

/** Something that is done for a reason: asked for once it is wanted. */
export function ReasonForm({ label, onReason }: ReasonFormProps) {
  const [open, setOpen] = useState(false);
  const { problem, busy, submit } = useSubmit(async (form) => {
    const refused = await onReason(String(new FormData(form).get("reason") ?? ""));
    if (refused === "") setOpen(false);
    return refused;
  });
  if (!open)
    return (
      <Button look="link" className="no-print justify-self-start" onClick={() => setOpen(true)}>
        {label}
      </Button>
    );
  return (
    <form onSubmit={submit} className="no-print flex flex-wrap items-end gap-2">
      <Field
        name="reason"
        title={t("pull-reason")}
        placeholder={t("reason-example")}
        maxLength={200}
        required
        problem={problem}
        autoFocus
        className="flex-1"
      />
      <Button type="submit" disabled={busy}>
        {label}
      </Button>
    </form>
  );
}
