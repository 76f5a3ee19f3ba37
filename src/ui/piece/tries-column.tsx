"use client";
import { type PiecePlan, SIDES, type SideName } from "@/core";
import { t } from "@/messages/jobs";
import { YieldEditor } from "./piece-editor";
import type { ColumnProps } from "./piece-props";
import { RetryCurve } from "./retry-curve";

const withOpened = (side: PiecePlan["sides"][SideName], retries: number) => ({
  ...side,
  onto: side.onto && { ...side.onto, retries },
});

/** How many tries to carry spare, and what the record says of them. */
export function TriesColumn({ view: { record }, planning: { plan, needs, change } }: ColumnProps) {
  return (
    <section aria-labelledby="tries" className="min-w-0">
      <h2 id="tries" className="font-bold text-lg">
        {t("tries-to-spare-2")}
      </h2>
      <RetryCurve
        curve={needs}
        cut={needs.cut}
        plan={plan}
        chosen={leastOf([plan.sides.A.retries, plan.sides.B.retries])}
        of={t("any-end")}
        onPick={(retries) =>
          change((before) => ({
            ...before,
            sides: {
              A: { ...before.sides.A, retries },
              B: { ...before.sides.B, retries },
            },
          }))
        }
      />
      {needs.opened.curve.length > 0 && (
        <RetryCurve
          curve={needs.opened}
          cut={needs.cut}
          plan={plan}
          chosen={leastOf(SIDES.map((side) => plan.sides[side].onto?.retries ?? null))}
          of={t("any-opened-end")}
          onPick={(retries) =>
            change((before) => ({
              ...before,
              sides: { A: withOpened(before.sides.A, retries), B: withOpened(before.sides.B, retries) },
            }))
          }
        />
      )}
      <YieldEditor plan={plan} record={record.A ?? record.B} change={change} />
    </section>
  );
}

/** The least of what was said; null where nothing was. */
const leastOf = (counts: readonly (number | null)[]): number | null => {
  const said = counts.filter((count) => count !== null);
  return said.length > 0 ? Math.min(...said) : null;
};
