"use client";

import { type PointerEvent, useMemo, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { eyeAllows, um } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { exactMm } from "../words/length-text";
import { type DrillProps, DrillResult } from "./drill-result";
import { ScreenScale, usePixelsPerMm } from "./screen-scale";

/** Steps of the mark by the arrow keys, micrometres. */
const [STEP, LARGE_STEP] = [500, 5_000];
/** Room before the cable end, and height of the drawing, pixels. */
const [MARGIN, HEIGHT] = [24, 110];
/** The longest mark that is asked for, and the drawn cable, micrometres. */
const [SHORTEST, LONGEST, CABLE] = [15_000, 70_000, 85_000];

/** A mark drawn by eye on a cable at its true size, no rule beside it. */
export function EyeDrill({ onAnswer, onNext }: DrillProps) {
  const scale = usePixelsPerMm();
  const wanted = useMemo(
    () => um(Math.round((SHORTEST + Math.random() * (LONGEST - SHORTEST)) / 1_000) * 1_000),
    [],
  );
  const [at, setAt] = useState(um(5_000));
  const [off, setOff] = useState<number | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const move = (next: number) => off === null && setAt(um(Math.min(CABLE, Math.max(0, Math.round(next)))));
  useHotkeys("left,right,shift+left,shift+right", ({ key, shiftKey }) =>
    move(at + (key === "ArrowRight" ? 1 : -1) * (shiftKey ? LARGE_STEP : STEP)),
  );
  const check = () => {
    if (off !== null) return;
    setOff(at - wanted);
    onAnswer(Math.abs(at - wanted) <= eyeAllows(wanted));
  };
  // The button of the result has the keys at once: this Enter is not meant for it.
  useHotkeys("enter", check, { enabled: off === null, preventDefault: true });
  const drag = (event: PointerEvent<SVGSVGElement>) => {
    const box = svg.current?.getBoundingClientRect();
    if (box && event.buttons === 1) move(((event.clientX - box.left - MARGIN) / scale.value) * 1_000);
  };
  const x = (place: number) => MARGIN + (place / 1_000) * scale.value;
  const width = x(CABLE) + MARGIN;
  return (
    <section aria-labelledby="drill">
      <h2 id="drill" className="font-bold text-2xl">
        {t("mark-by-eye", { wanted: exactMm(wanted) })}
      </h2>
      <p className="text-soft">{t("mark-by-eye-how")}</p>
      <div className="mt-3 overflow-x-auto">
        <svg
          ref={svg}
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={t("cable-at-true-size")}
          onPointerDown={drag}
          onPointerMove={drag}
          className="touch-none"
        >
          <rect x={x(0)} y="36" width={width - x(0)} height="38" fill="var(--strong)" opacity="0.8" />
          <path d={`M${x(at)},26 v58`} stroke="var(--now)" strokeWidth="3" />
          {off !== null && <path d={`M${x(wanted)},20 v70`} stroke="var(--in)" strokeWidth="3" />}
        </svg>
      </div>
      <Button look="strong" disabled={off !== null} onClick={check} className="mt-2">
        {t("check")}
      </Button>
      {off !== null && (
        <DrillResult
          right={Math.abs(off) <= eyeAllows(wanted)}
          was={t("mark-was-at", { at: exactMm(at) })}
          more={t("mark-off", { off: exactMm(Math.abs(off)), allowed: exactMm(eyeAllows(wanted)) })}
          onNext={onNext}
        />
      )}
      <ScreenScale scale={scale} />
    </section>
  );
}
