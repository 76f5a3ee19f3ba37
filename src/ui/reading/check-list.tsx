"use client";

import { useState } from "react";
import { type CheckStanding, onLeg } from "@/core";
import { t } from "@/messages/reading";
import { limitsText, type Units } from "../words/length-text";
import { VerdictSign } from "../words/verdict-sign";

interface CheckListProps {
  readonly standings: readonly CheckStanding[];
  /** Whether its legs are the sides of an opening. */
  readonly midRun: boolean;
  readonly active: string;
  readonly units: Units;
  /** One under the other, beside what to do. */
  readonly narrow: boolean;
  readonly onPick: (check: string) => void;
}

/** Beside what to do there is room for so many; the rest are a touch away. */
const SHOWN = 5;

/** The lengths asked for at this step, each with how it stands; touch one to read it next. */
export function CheckList({ standings, midRun, active, units, narrow, onPick }: CheckListProps) {
  const [all, setAll] = useState(false);
  const shown = narrow && !all ? standings.slice(0, SHOWN) : standings;
  return (
    <ul
      aria-label={t("lengths-to-read")}
      className={`grid gap-1.5 ${narrow ? "" : "mt-4 max-w-2xl sm:grid-cols-2"}`}
    >
      {shown.map(({ check, judged }) => (
        <li key={check.id} className="min-w-0">
          <button
            type="button"
            onClick={() => onPick(check.id)}
            aria-pressed={check.id === active}
            className={`flex min-h-12 w-full flex-wrap items-center gap-x-2 rounded-md border px-3 text-left leading-tight ${check.id === active ? "border-ink bg-raised font-semibold" : "border-line"}`}
          >
            {judged ? (
              <VerdictSign verdict={judged.verdict} />
            ) : (
              <span aria-hidden="true" className="size-5 shrink-0 rounded-full border-2 border-soft" />
            )}
            <span className="min-w-0 flex-1">
              {check.name}
              {onLeg(check.leg, midRun)}
              {judged && <span className="sr-only">, {judged.verdict}</span>}
            </span>
            <span className="figures whitespace-nowrap text-sm">
              {limitsText(check.min, check.max, units)}
            </span>
          </button>
        </li>
      ))}
      {shown.length < standings.length && (
        <li>
          <button type="button" onClick={() => setAll(true)} className="min-h-12 w-full text-left underline">
            {t("more-lengths", { value: standings.length - shown.length })}
          </button>
        </li>
      )}
    </ul>
  );
}
