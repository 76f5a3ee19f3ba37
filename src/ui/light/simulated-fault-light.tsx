"use client";

import { useState } from "react";
import { glowOf, parseGlowLine, simulatedGlow } from "@/core";
import { t } from "@/messages/light";
import { Button } from "../controls/button";

/** A stand-in for a fault light, for practice: the glow of the joint as it would be seen. */
export function SimulatedFaultLight({ isSeated }: { readonly isSeated: boolean }) {
  const [line, setLine] = useState("");
  const read = line === "" ? null : parseGlowLine(line);
  const percent = read?.ok ? read.value : null;
  return (
    <section
      aria-label={t("simulated-fault-light")}
      className="no-print mt-3 flex flex-wrap items-center gap-3 rounded-lg border-2 border-inch border-dashed px-3 py-2"
    >
      <svg viewBox="0 0 60 40" className="h-12 w-20" aria-hidden="true">
        <circle cx="30" cy="20" r="19" fill="#e3342f" fillOpacity={(percent ?? 0) / 250} />
        <rect
          x="20"
          y="13"
          width="20"
          height="14"
          rx="3"
          stroke="var(--ink)"
          fill={percent === null || percent < 3 ? "#3b3f44" : "#e3342f"}
          fillOpacity={percent === null ? 1 : Math.max(0.25, percent / 100)}
        />
      </svg>
      <p role="status" className="min-w-0 flex-1 basis-32 text-sm">
        {percent === null
          ? t("simulated-glow-is-practice")
          : t("glow-seen", { glow: glowOf(percent), percent })}
      </p>
      <Button onClick={() => setLine(simulatedGlow(isSeated, [Math.random(), Math.random()]))}>
        {t("switch-it-on")}
      </Button>
    </section>
  );
}
