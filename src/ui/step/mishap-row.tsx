"use client";

import { useState } from "react";
import { toast } from "sonner";
import { isGlassAtRisk, isMidRun, MISHAPS, type Mishap, mishapEvents, type RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import type { BenchWork } from "../work/use-work";

const NAMES: Record<Mishap, string> = {
  broken: t("fibre-broke"),
  nick: t("i-nicked-it"),
  dirty: t("dropped-dirty"),
};

/** What can happen to the glass at any step, one touch each; on a cord of several legs a second says which. */
export function MishapRow({
  sheet,
  work,
  className,
  narrow = false,
}: {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly className: string;
  /** Names on two lines, three beside one another in a narrow column. */
  readonly narrow?: boolean;
}) {
  const { state, add, trim } = work;
  const [fault, setAsked] = useState<Mishap | null>(null);
  const { legs } = sheet.cable;
  if (trim || !isGlassAtRisk(sheet, state)) return null;
  const happened = (fault: Mishap, leg: string) => {
    setAsked(null);
    const events = mishapEvents(sheet, state, fault, leg);
    for (const event of events) add(event);
    if (events.length === 0) toast(t("the-glass-is-still-covered-wipe"));
  };
  if (fault !== null)
    return (
      <fieldset
        aria-label={t("which-leg", { value: NAMES[fault] })}
        className={`${narrow ? "grid grid-cols-3" : "flex flex-wrap"} min-w-0 gap-1.5 ${className}`}
      >
        {legs.map((leg) => (
          <Button key={leg} look="plain" onClick={() => happened(fault, leg)} className="flex-1">
            {isMidRun(sheet) ? t("side") : t("leg")} {leg}
          </Button>
        ))}
        <Button look="quiet" onClick={() => setAsked(null)}>
          {t("none")}
        </Button>
      </fieldset>
    );
  return (
    <fieldset
      aria-label={t("a-mishap")}
      className={`${narrow ? "grid grid-cols-3" : "flex flex-wrap"} min-w-0 gap-1.5 ${className}`}
    >
      {MISHAPS.map((fault) => (
        <Button
          key={fault}
          look="quiet"
          onClick={() => (legs.length > 1 ? setAsked(fault) : happened(fault, legs[0] ?? ""))}
          className={narrow ? "px-1 text-sm leading-tight" : "flex-1 px-2 text-sm leading-tight"}
        >
          {NAMES[fault]}
        </Button>
      ))}
    </fieldset>
  );
}
