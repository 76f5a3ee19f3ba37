import type { EndState, RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { PotStrip } from "../timers/pot-strip";
import type { BenchWork } from "../work/use-work";
import { ClockStrip } from "./clock-strip";
import { HeldQuestion } from "./held-question";

interface StepFootProps {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  /** Every end it is made with: this one, or its whole batch. */
  readonly ends: readonly EndState[];
}

/** What runs out, what the step still asks for, and the way on and back. */
export function StepFoot({ sheet, work, ends }: StepFootProps) {
  const { line } = work;
  return (
    <div className="short:sticky short:bottom-0 short:z-10 short:bg-ground short:py-1.5 grid gap-2 border-line border-t px-4 py-3 lg:border-t-0 lg:border-l lg:pb-4">
      <ClockStrip sheet={sheet} work={work} />
      <PotStrip sheet={sheet} ends={ends} />
      {work.held && <HeldQuestion held={work.held} onLet={work.letGo} />}
      <div className="flex gap-2">
        <Button
          size="huge"
          onClick={work.back}
          disabled={line.index === 0}
          aria-keyshortcuts="ArrowLeft PageUp"
        >
          {t("back")}
        </Button>
        <Button
          look="strong"
          size="huge"
          onClick={work.next}
          aria-keyshortcuts="Space ArrowRight PageDown"
          className="flex-1"
        >
          {work.held ? t("pass-it-by") : work.last ? t("finish") : t("next")}{" "}
          <span className="hidden font-normal text-base lg:inline">{t("space")}</span>
        </Button>
      </div>
    </div>
  );
}
