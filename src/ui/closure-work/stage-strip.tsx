"use client";

import { CircleCheck, Square } from "lucide-react";
import { CLOSURE_STAGES, type ClosureStage, type ClosureWork } from "@/core";
import { t } from "@/messages/closure-work";
import { STAGE_NAMES } from "./stage-names";

interface StageStripProps {
  readonly work: ClosureWork;
  readonly shown: ClosureStage;
  readonly onShow: (stage: ClosureStage) => void;
}

/** The stages of a closure's work in order, each with what is still open in it; the gate stands before the last. */
export function StageStrip({ work, shown, onShow }: StageStripProps) {
  return (
    <nav aria-label={t("stages")} className="no-print overflow-x-auto">
      <ol className="flex gap-2 py-2">
        {CLOSURE_STAGES.map((stage) => {
          const open = work.open[stage];
          const isShown = stage === shown;
          const shut = stage === "closing" && work.gated;
          const look = isShown
            ? "border-now bg-now text-on-now"
            : open === 0
              ? "border-in bg-in-wash"
              : shut
                ? "border-line border-dashed"
                : "border-line bg-raised";
          return (
            <li key={stage} className="shrink-0">
              <button
                type="button"
                aria-current={isShown ? "step" : undefined}
                onClick={() => onShow(stage)}
                className={`min-h-14 rounded-lg border-2 px-3 text-left ${look}`}
              >
                <span className="flex items-center gap-2 font-bold">
                  {open === 0 ? (
                    <CircleCheck aria-hidden="true" className="size-5" />
                  ) : (
                    <Square aria-hidden="true" className="size-5" />
                  )}
                  {STAGE_NAMES[stage]()}
                </span>
                <span className="text-sm">{t("count-to-do", { count: open })}</span>
              </button>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
