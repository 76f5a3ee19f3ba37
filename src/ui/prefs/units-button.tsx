"use client";

import { Ruler } from "lucide-react";
import { t } from "@/messages/prefs";
import { usePrefs } from "./prefs-context";

const NAMES = { both: t("mm-in"), mm: "mm", in: "in" } as const;

/** The units in use; a touch goes to the next, as the key U does. */
export function UnitsButton() {
  const { prefs, nextUnits } = usePrefs();
  return (
    <button
      type="button"
      onClick={nextUnits}
      aria-keyshortcuts="U"
      aria-label={t("units-change", { value: NAMES[prefs.units] })}
      className="flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 text-soft text-sm sm:min-h-[62px]"
    >
      <Ruler aria-hidden="true" className="size-6" strokeWidth={1.8} />
      {NAMES[prefs.units]}
    </button>
  );
}
