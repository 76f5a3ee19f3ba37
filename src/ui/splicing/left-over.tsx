"use client";

import { useState } from "react";
import { fibresText, type reviewSplices, type SplicedCable, splicedCable } from "@/core";
import { t } from "@/messages/splicing";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import type { SplicePlanHeld } from "./use-splice-plan";

type LeftOverFibres = ReturnType<typeof reviewSplices>["leftOver"][number];

interface LeftOverListProps {
  readonly leftOver: readonly LeftOverFibres[];
  readonly cables: readonly SplicedCable[];
  readonly held: SplicePlanHeld;
}

/** Fibres that are neither spliced nor stored, each with the way to store them; and those that are stored, with why. */
export function LeftOverList({ leftOver, cables, held }: LeftOverListProps) {
  return (
    <div className="grid gap-3">
      {leftOver.length > 0 && (
        <section aria-label={t("left-over")}>
          <h2 className="font-bold">{t("left-over")}</h2>
          <ul>
            {leftOver.map((fibres) => (
              <li key={`${fibres.cable} ${fibres.towards}`} className="border-line border-t py-1">
                <SpareForm fibres={fibres} held={held} />
              </li>
            ))}
          </ul>
        </section>
      )}
      {held.plan.spares.length > 0 && (
        <section aria-label={t("stored")}>
          <h2 className="font-bold">{t("stored")}</h2>
          <ul>
            {held.plan.spares.map(({ cable, towards, fibres, reason }, i) => (
              <li
                key={`${cable} ${towards} ${fibres[0]}`}
                className="flex flex-wrap items-center gap-2 border-line border-t"
              >
                <span className="min-w-0 flex-1">
                  {t("it-is-stored", {
                    cable: `${splicedCable(cables, cable)?.number ?? "?"} ${towards ?? ""}`.trim(),
                    fibres: fibresText(fibres),
                    reason,
                  })}
                </span>
                <Button look="link" className="no-print" onClick={() => held.unspare(i)}>
                  {t("take-back-spare")}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function SpareForm({ fibres, held }: { readonly fibres: LeftOverFibres; readonly held: SplicePlanHeld }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <p className="flex flex-wrap items-center gap-2">
        <span className="min-w-0 flex-1">{fibres.message.text}</span>
        <Button size="small" className="no-print" onClick={() => setOpen(true)}>
          {t("store-as-spare")}
        </Button>
      </p>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const reason = String(new FormData(event.currentTarget).get("reason") ?? "").trim();
        if (!reason) return;
        held.spare({ cable: fibres.cable, towards: fibres.towards, fibres: [...fibres.fibres], reason });
        setOpen(false);
      }}
    >
      <p className="w-full">{fibres.message.text}</p>
      <Field
        title={t("why-not-spliced")}
        name="reason"
        placeholder={t("reason-example")}
        maxLength={200}
        required
        autoFocus
        className="flex-1"
      />
      <Button type="submit">{t("store-as-spare")}</Button>
    </form>
  );
}
