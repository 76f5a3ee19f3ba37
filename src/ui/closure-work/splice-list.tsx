"use client";

import { type ClosureAtWork, type SpliceState, splicedIn } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { FibreChip } from "../splicing/fibre-chip";
import { triesText } from "./tries-text";

interface SpliceListProps {
  readonly splices: readonly SpliceState[];
  readonly at: ClosureAtWork;
  readonly picked: string | null;
  readonly onPick: (splice: string) => void;
}

const TONES: Record<SpliceState["standing"], string> = {
  open: "text-soft",
  in: "text-in font-bold",
  out: "text-out font-bold",
  accepted: "text-unsure font-bold",
  left: "text-unsure font-bold",
};

/** Every splice with its slot, its last estimate, how it stands and how many tries are left for it. */
export function SpliceList({ splices, at, picked, onPick }: SpliceListProps) {
  if (splices.length === 0) return <p>{t("no-splices")}</p>;
  return (
    <ol className="grid">
      {splices.map(({ splice, standing, estimates, triesLeft, reason }, i) => (
        <li key={splice.id} className="border-line border-t">
          <button
            type="button"
            aria-pressed={splice.id === picked}
            onClick={() => onPick(splice.id)}
            className={`flex min-h-12 w-full flex-wrap items-center gap-x-2 px-2 text-left ${splice.id === picked ? "bg-now-wash" : ""}`}
          >
            <span className="w-7 text-right font-bold font-figure">{i + 1}</span>
            <FibreChip end={splice.a} cables={splicedIn(at)} />
            <FibreChip end={splice.b} cables={splicedIn(at)} />
            <span className="w-12 font-figure">{splice.slot ?? "–"}</span>
            <span className="w-14 text-right font-figure">
              {estimates.length > 0 ? decimal((estimates.at(-1) ?? 0).toFixed(2)) : "–"}
            </span>
            <span className={TONES[standing]}>{t("splice-is", { standing })}</span>
            <span className="ml-auto text-soft text-sm">{reason || triesText(triesLeft)}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}
