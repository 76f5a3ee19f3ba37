"use client";

import { useMemo, useState } from "react";
import { BUFFER_GRIPS, type BufferGrip, slidesBy } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { exactMm } from "../words/length-text";
import { DrillChoice } from "./drill-choice";
import { type DrillProps, DrillResult } from "./drill-result";

const GROOVES: Readonly<Record<BufferGrip, () => string>> = {
  tight: () => t("groove-tight"),
  "semi-tight": () => t("groove-semi-tight"),
};
/** Pixels of a millimetre in the drawing. */
const SCALE = 8;

/** A buffer scored and pulled by hand: it slides or it holds, and by that it is stripped. */
export function GripDrill({ grip, onAnswer, onNext }: { readonly grip: BufferGrip } & DrillProps) {
  const slid = useMemo(() => slidesBy(grip, Math.random()), [grip]);
  const [pulled, setPulled] = useState(false);
  const [answer, setAnswer] = useState<string | null>(null);
  const pick = (key: string) => {
    setAnswer(key);
    onAnswer(key === grip);
  };
  const shift = pulled ? (slid / 1_000) * SCALE : 0;
  return (
    <section aria-labelledby="drill">
      <h2 id="drill" className="font-bold text-2xl">
        {t("which-groove")}
      </h2>
      <svg viewBox="0 0 620 110" role="img" aria-label={t("buffer-drawn")} className="mt-3 h-auto w-full">
        <rect x="330" y="38" width="280" height="34" fill="var(--note)" stroke="var(--ink)" />
        <rect x={330 - shift} y="50" width={shift} height="10" fill="var(--raised)" stroke="var(--ink)" />
        <rect
          x={60 - shift}
          y="38"
          width="270"
          height="34"
          fill="var(--note)"
          stroke="var(--ink)"
          className="transition-[x] duration-150 motion-reduce:transition-none"
        />
      </svg>
      {pulled ? (
        <p role="status" className="text-lg">
          {slid > 0 ? t("buffer-slid", { slid: exactMm(slid) }) : t("buffer-held")}
        </p>
      ) : (
        <Button look="next" onClick={() => setPulled(true)}>
          {t("score-and-pull")}
        </Button>
      )}
      {pulled && (
        <DrillChoice
          disabled={answer !== null}
          choices={BUFFER_GRIPS.map((key) => ({ key, text: GROOVES[key]() }))}
          onPick={pick}
        />
      )}
      {answer !== null && <DrillResult right={answer === grip} was={GROOVES[grip]()} onNext={onNext} />}
    </section>
  );
}
