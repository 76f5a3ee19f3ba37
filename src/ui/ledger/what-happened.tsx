"use client";

import { useState } from "react";
import { isSetBack, type Recorded, type RunSheet } from "@/core";
import { t } from "@/messages/ledger";
import { Button } from "../controls/button";
import { LocalTime } from "../words/local-time";
import { Correct } from "./correct";
import { historyLine } from "./history";

/** Every event in order, each with its corrections; any of them can be put right by another. */
export function WhatHappened({
  end,
  sheet,
  events,
}: {
  end: string;
  sheet: RunSheet;
  events: readonly Recorded[];
}) {
  const [open, setOpen] = useState<string | null>(null);
  const corrections = new Set(
    events.flatMap(({ event }) => (event.kind === "correction" ? [event.corrects] : [])),
  );
  return (
    <>
      <h2 className="mt-6 font-bold text-lg">{t("what-happened")}</h2>
      <ol className="mt-1 grid text-sm">
        {events.map((recorded, i) => {
          const words = historyLine(sheet, events, recorded);
          return (
            <li key={recorded.id}>
              <span className="flex min-h-6 items-baseline gap-3">
                <span className="shrink-0 text-soft">
                  <LocalTime iso={recorded.at} />
                </span>
                <span className="min-w-0 flex-1 wrap-anywhere">
                  {words}
                  {isSetBack(events, i) && <em className="text-unsure"> {t("clock-set-back")}</em>}
                  {corrections.has(recorded.id) && <em className="text-out"> {t("corrected-below")}</em>}
                </span>
                {recorded.event.kind !== "correction" && recorded.event.kind !== "step" && (
                  <Button
                    look="link"
                    onClick={() => setOpen(open === recorded.id ? null : recorded.id)}
                    aria-expanded={open === recorded.id}
                    aria-label={t("correct-this", { words })}
                    className="no-print min-h-6 shrink-0 px-1 text-soft"
                  >
                    {t("correct")}
                  </Button>
                )}
              </span>
              {open === recorded.id && (
                <Correct
                  end={end}
                  event={recorded.id}
                  words={words}
                  after={events.at(-1)?.seq ?? 0}
                  onDone={() => setOpen(null)}
                />
              )}
            </li>
          );
        })}
      </ol>
    </>
  );
}
