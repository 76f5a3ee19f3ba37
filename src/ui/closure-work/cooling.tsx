"use client";

import { useEffect, useState } from "react";
import { type ClosureRecorded, type ClosureWork, coolingSplices, type Splicing } from "@/core";
import { t } from "@/messages/closure-work";

interface CoolingProps {
  readonly work: ClosureWork;
  readonly events: readonly ClosureRecorded[];
  readonly splicing: readonly Splicing[];
}

/** Sleeves that shrink or cool while the next splice is prepared: how long still, then the slot they go into. */
export function Cooling({ work, events, splicing }: CoolingProps) {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    setNow(Date.now());
    const every = setInterval(() => setNow(Date.now()), 1_000);
    return () => clearInterval(every);
  }, []);
  const cooling = now === null ? [] : coolingSplices(work, events, splicing, now);
  if (cooling.length === 0) return null;
  return (
    <ul aria-label={t("cooling")} className="no-print grid gap-1">
      {cooling.map(({ number, slot, seconds }) => (
        <li
          key={number}
          className={`flex items-baseline gap-3 rounded-md px-3 py-1 ${seconds > 0 ? "bg-note" : "bg-now-wash"}`}
        >
          <strong className="figures">{seconds > 0 ? t("figure-seconds", { seconds }) : "✓"}</strong>
          {seconds > 0 && t("splice-cools", { number })}
          {seconds === 0 && slot === null && t("splice-is-cool", { number })}
          {seconds === 0 && slot !== null && t("splice-into-its-slot", { number, slot })}
        </li>
      ))}
    </ul>
  );
}
