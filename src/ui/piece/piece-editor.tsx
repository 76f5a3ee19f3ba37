"use client";

import { type Core, type PiecePlan, readMetres, readShare, UNSAID, zCore } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { ASKS_METRES, metresText, shareText } from "../plan/metres";
import { coreText } from "../words/length-text";

type Change = (make: (before: PiecePlan) => PiecePlan) => boolean;

/** What holds for a piece as a whole: its name, its glass, how it is rounded, how tight it may rest. */
export function PieceEditor({
  plan,
  cores,
  change,
}: {
  plan: PiecePlan;
  cores: readonly Core[];
  change: Change;
}) {
  const set = (changed: Partial<PiecePlan>) => change((before) => ({ ...before, ...changed }));
  return (
    <div className="grid gap-3">
      <FigureField
        title={t("name")}
        value={plan.name}
        text={(name) => name}
        read={(text) => (text.trim() !== "" && text.length <= 200 ? text.trim() : null)}
        asks={t("a-name-of-at-most-200")}
        onTake={(name) => set({ name })}
      />
      <div className="grid grid-cols-2 items-end gap-3">
        {cores.length > 1 && (
          <Select
            title={t("glass")}
            value={plan.core}
            options={cores.map((core) => ({ id: core, name: coreText(core) }))}
            onPick={(id) => {
              const core = zCore.safeParse(id);
              if (core.success) set({ core: core.data });
            }}
          />
        )}
        <FigureField
          title={t("cut-in-steps-of-m")}
          value={plan.roundUpTo}
          text={metresText}
          read={(text) => readMetres(text) || null}
          asks={ASKS_METRES}
          onTake={(roundUpTo) => set({ roundUpTo })}
        />
        <FigureField
          title={t("least-rest-radius-m")}
          value={plan.bendAtRest ?? UNSAID}
          text={(radius) => (radius === UNSAID ? "" : metresText(radius))}
          read={(text) => (text.trim() === "" ? UNSAID : readMetres(text))}
          asks={t("empty-goes-by-the-diameter", { asks_metres: ASKS_METRES })}
          onTake={(radius) => set({ bendAtRest: radius === UNSAID ? null : radius })}
        />
      </div>
    </div>
  );
}

interface YieldEditorProps {
  readonly plan: PiecePlan;
  /** What this crew's own record says; null where no side is ended. */
  readonly record: { readonly good: number; readonly tried: number } | null;
  readonly change: Change;
}

/** How often an end comes out well, and how likely it may be to fall short. */
export function YieldEditor({ plan, record, change }: YieldEditorProps) {
  const share = plan.yield && "p" in plan.yield ? plan.yield.p : null;
  const counted = plan.yield && "tried" in plan.yield ? plan.yield : null;
  return (
    <div className="mt-4 grid grid-cols-2 items-end gap-3">
      <FigureField
        title={t("come-out-well")}
        value={share}
        text={(p) => (p === null ? "" : shareText(p))}
        read={readShare}
        asks={t("enter-a-percentage-from-0-to-2")}
        onTake={(p) => change((before) => ({ ...before, yield: p === null ? null : { p } }))}
      />
      <FigureField
        title={t("may-fall-short")}
        value={plan.risk}
        text={shareText}
        read={readShare}
        asks={t("a-percentage-from-0-to-100")}
        onTake={(risk) => change((before) => ({ ...before, risk }))}
      />
      {counted && (
        <p className="col-span-2 text-soft text-sm">
          {t("by-this-crew-s-own-record", { good: counted.good, tried: counted.tried })}
        </p>
      )}
      {record && record.tried > 0 && (counted?.tried !== record.tried || counted.good !== record.good) && (
        <Button
          size="small"
          look="quiet"
          className="col-span-2"
          onClick={() => change((before) => ({ ...before, yield: record }))}
        >
          {t("by-our-record-of", { good: record.good, tried: record.tried })}
        </Button>
      )}
    </div>
  );
}
