"use client";

import { useEffect, useState } from "react";
import { t } from "@/messages/practice";

const KEY = "arlent:pixels-per-mm";
/** Pixels of a millimetre by the CSS pixel (96 to the inch). */
const USUAL = 96 / 25.4;
/** Width of a bank card, millimetres: ISO/IEC 7810, ID-1. */
const CARD = 85.6;
const [LEAST, MOST] = [2, 12];

/** Pixels of a millimetre on this screen, as it was last set; kept on the device. */
export function usePixelsPerMm() {
  const [value, setValue] = useState(USUAL);
  const [isSet, setIsSet] = useState(false);
  useEffect(() => {
    const stored = Number(localStorage.getItem(KEY));
    if (stored >= LEAST && stored <= MOST) {
      setValue(stored);
      setIsSet(true);
    }
  }, []);
  const change = (next: number) => {
    setValue(next);
    setIsSet(true);
    localStorage.setItem(KEY, String(next));
  };
  return { value, isSet, change };
}

/** Sets the scale of this screen by a bank card laid on it. */
export function ScreenScale({
  scale: { value, isSet, change },
}: {
  readonly scale: ReturnType<typeof usePixelsPerMm>;
}) {
  return (
    <details className="mt-4" open={!isSet}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold underline">
        {isSet ? t("screen-is-set") : t("screen-not-set")}
      </summary>
      <p>{t("lay-a-card")}</p>
      <div className="mt-2 overflow-x-auto">
        <div
          aria-hidden="true"
          className="h-16 rounded-lg border-2 border-ink bg-raised"
          style={{ width: CARD * value }}
        />
      </div>
      <label className="mt-2 flex flex-wrap items-center gap-3">
        <span>{t("width-of-the-card")}</span>
        <input
          type="range"
          min={LEAST}
          max={MOST}
          step={0.01}
          value={value}
          onChange={({ target }) => change(Number(target.value))}
          className="min-h-11 w-64 max-w-full"
        />
      </label>
    </details>
  );
}
