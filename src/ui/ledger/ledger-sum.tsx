import type { Result } from "@/core";
import { t } from "@/messages/ledger";
import { count } from "@/messages/numbers";
import { usePrefs } from "../prefs/prefs-context";
import { lengthText } from "../words/length-text";

interface LedgerSumProps {
  readonly sum: {
    readonly ends: number;
    readonly results: Readonly<Partial<Record<Result, number>>>;
    readonly inAgain: number;
    readonly inFirst: number;
    /** Micrometres. */
    readonly cableLost: number;
  };
}

/** The ends shown in one figure and two sentences. */
export function LedgerSum({ sum: { ends, results, inAgain, inFirst, cableLost } }: LedgerSumProps) {
  const { prefs } = usePrefs();
  const { in: good = 0, out = 0, unsure = 0, unmeasured = 0, "cut-off": cut = 0 } = results;
  const others = [
    out > 0 ? t("sum-out", { ends: out }) : null,
    unsure > 0 ? t("sum-unsure", { ends: unsure }) : null,
    unmeasured > 0 ? t("sum-unmeasured", { ends: unmeasured }) : null,
    cut > 0 ? t("sum-cut-off", { ends: cut }) : null,
  ].filter((part) => part !== null);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-1">
      <p className="mr-auto flex items-center gap-3">
        <strong className="figures text-5xl leading-none">{count(ends)}</strong>
        <span>
          <span className="block font-bold text-lg leading-tight">{t("ends-signed-off", { ends })}</span>
          <span className="block">
            {t("sum-in", { good, again: inAgain })}
            {others.length > 0 && ` ${others.join(", ")}.`}
          </span>
        </span>
      </p>
      <p className="text-right text-soft max-sm:text-left">
        {cableLost > 0 && (
          <span className="block">
            {t("cable-lost-to-later-tries", {
              length: lengthText(cableLost, prefs.units === "in" ? "in" : "mm"),
            })}
          </span>
        )}
        <span className="block">{t("in-at-the-first-try", { first: inFirst, ends })}</span>
      </p>
    </div>
  );
}
