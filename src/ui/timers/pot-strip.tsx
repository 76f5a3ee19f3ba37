"use client";

import { Droplet } from "lucide-react";
import { type EndState, type RunSheet, runningPots } from "@/core";
import { t } from "@/messages/timers";
import { clockText, secondsLeft } from "../words/clock-text";
import { useTick } from "./timers-context";

/** Share of its life left from which a pot warns. */
const WARNS = 0.2;

/** What was mixed or opened for this end, or for all of a batch, with what is left of its life. */
export function PotStrip({ sheet, ends }: { sheet: RunSheet; ends: readonly EndState[] }) {
  const pots = runningPots(sheet, ends);
  const now = useTick(pots.length > 0);
  if (now === null) return null;
  return pots.map((pot) => {
    const left = secondsLeft(pot, now);
    const low = left < pot.seconds * WARNS;
    return (
      <p
        key={`${pot.line} ${pot.startedAt}`}
        role={left > 0 ? undefined : "alert"}
        className={`flex items-center gap-2 rounded-md px-2 leading-tight ${left <= 0 ? "border-2 border-out py-1" : low ? "bg-now-wash font-bold" : "text-soft"}`}
      >
        <Droplet aria-hidden="true" className="size-4 shrink-0" />
        <span className="min-w-0 flex-1">
          {left > 0 ? (
            pot.of
          ) : (
            <>
              <strong>{t("over", { of: pot.of })}</strong> {t("take-fresh-before")}
              {sheet.lines[pot.line]?.step.title}”.
            </>
          )}
        </span>
        {left > 0 && (
          <span role="timer" aria-label={t("left", { of: pot.of })} className="figures font-bold">
            {clockText(left)}
          </span>
        )}
      </p>
    );
  });
}
