import { Check, CircleDashed } from "lucide-react";
import { type Line, TRIM_STEP } from "@/core";
import { t } from "@/messages/bench";

interface StepListProps {
  /** Every step; while something is redone, the steps of that. */
  readonly lines: readonly Line[];
  readonly now: Line;
  /** Indices of steps that were passed without what they ask for. */
  readonly skipped: readonly number[];
  readonly onGo: (index: number) => void;
  /** What stands under the list. */
  readonly foot: React.ReactNode;
}

const BEHIND = 2;
const SHOWN = 8;

/** The steps around the one being done; the rest are counted, so that the list never scrolls. */
export function StepList({ lines, now: line, skipped, onGo, foot }: StepListProps) {
  const at = line.index;
  const here = lines.findIndex(({ step }) => step.id === line.step.id);
  const first = Math.max(0, Math.min(here - BEHIND, lines.length - SHOWN));
  const shown = lines.slice(first, first + SHOWN);
  const missed = lines.slice(0, first).filter(({ index }) => skipped.includes(index)).length;
  const after = lines.length - first - shown.length;
  return (
    <div className="hidden w-[262px] shrink-0 flex-col border-line border-r py-3 pr-2 pl-4 lg:flex">
      <nav aria-label={t("steps")} className="flex-1">
        {first > 0 && (
          <p className="px-3 py-1 text-soft text-sm">
            {t("before", { first })}
            {missed > 0 && <strong className="text-unsure">{t("of-them-skipped", { missed })}</strong>}
          </p>
        )}
        <ol>
          {shown.map(({ index, step }) => {
            const now = step.id === line.step.id;
            return (
              <li key={step.id}>
                <button
                  type="button"
                  onClick={() => onGo(index)}
                  aria-current={now ? "step" : undefined}
                  className={`flex min-h-9.5 w-full items-center gap-3 rounded-md px-3 text-left leading-tight ${now ? "bg-now font-bold text-on-now" : index < at ? "" : "text-soft"}`}
                >
                  <span className="figures w-5 shrink-0 text-right">
                    {step.id === TRIM_STEP ? "" : index + 1}
                  </span>
                  <span className="min-w-0 flex-1 text-[0.97rem]">{step.title}</span>
                  {skipped.includes(index) && !now ? (
                    <CircleDashed
                      aria-label={t("skipped")}
                      className="size-4 shrink-0 text-unsure"
                      strokeWidth={3}
                    />
                  ) : (
                    index < at && (
                      <Check aria-label={t("done")} className="size-4 shrink-0 text-in" strokeWidth={3} />
                    )
                  )}
                </button>
              </li>
            );
          })}
        </ol>
        {after > 0 && <p className="px-3 py-1 text-soft text-sm">{t("more-to-come", { after })}</p>}
      </nav>
      {foot}
    </div>
  );
}

/** Where the work stands, on a screen too narrow for the list. */
export function StepProgress({
  lines,
  at,
  skipped,
  mishaps,
  undo,
}: {
  readonly lines: readonly Line[];
  readonly at: number;
  readonly skipped: readonly number[];
  /** What can happen to the glass, where there is room for it beside. */
  readonly mishaps: React.ReactNode;
  readonly undo: React.ReactNode;
}) {
  return (
    <div className="flex min-h-12 items-center gap-3 border-line border-b px-4 text-soft lg:hidden">
      <span className="shrink-0">
        {t("step")} <strong className="text-ink">{at + 1}</strong> {t("of", { length: lines.length })}
        {skipped.length > 0 && (
          <strong className="text-unsure"> {t("skipped-2", { length: skipped.length })}</strong>
        )}
      </span>
      <span aria-hidden="true" className="h-2 flex-1 overflow-hidden rounded-full bg-line md:hidden">
        <span className="block h-full bg-now" style={{ width: `${((at + 1) / lines.length) * 100}%` }} />
      </span>
      {mishaps}
      {undo}
    </div>
  );
}
