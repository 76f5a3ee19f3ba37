"use client";

import { useState } from "react";
import { simulatedSplice, splicerLine } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";

interface SimulatedSplicerProps {
  readonly number: number;
  /** Sends its line, as a splicer would. */
  readonly onSend: (line: string) => void;
}

/** A stand-in for a splicer: both cleaved ends as it sees them, and the line it sends. For practice: what it sends is marked simulated. */
export function SimulatedSplicer({ number, onSend }: SimulatedSplicerProps) {
  const [open, setOpen] = useState(false);
  const [fused, setFused] = useState<ReturnType<typeof simulatedSplice> | null>(null);
  if (!open)
    return (
      <Button look="link" className="no-print justify-self-start" onClick={() => setOpen(true)}>
        {t("simulated-splicer")}
      </Button>
    );
  return (
    <section
      aria-label={t("simulated-splicer")}
      className="no-print grid gap-2 rounded-lg border-2 border-inch border-dashed px-3 py-2"
    >
      <p className="text-sm">{t("simulated-splicer-is-for-practice")}</p>
      <svg viewBox="0 0 200 60" className="w-full max-w-md" role="img" aria-label={t("both-ends-as-seen")}>
        <rect width="200" height="60" fill="var(--raised)" stroke="var(--line)" />
        <EndSeen side="left" angle={fused?.left ?? 0} joined={fused !== null} />
        <EndSeen side="right" angle={fused?.right ?? 0} joined={fused !== null} />
        {fused && (
          <text x="100" y="56" textAnchor="middle" fontSize="9" fill="var(--ink)">
            {t("angles-and-estimate", {
              left: decimal(String(fused.left)),
              right: decimal(String(fused.right)),
              estimate: decimal(String(fused.estimateDb)),
            })}
          </text>
        )}
      </svg>
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={() => {
            const next = simulatedSplice(number, [Math.random(), Math.random(), Math.random()]);
            setFused(next);
            onSend(splicerLine(next));
          }}
        >
          {t("fuse-and-send")}
        </Button>
        <Button look="link" onClick={() => setOpen(false)}>
          {t("put-it-away")}
        </Button>
      </div>
    </section>
  );
}

/** A cleaved end seen from the side; its angle drawn ten times as large. */
function EndSeen({ side, angle, joined }: { side: "left" | "right"; angle: number; joined: boolean }) {
  const lean = Math.tan((angle * 10 * Math.PI) / 180) * 10;
  const gap = joined ? 0 : 14;
  const x = side === "left" ? 100 - gap : 100 + gap;
  const far = side === "left" ? 4 : 196;
  const bend = side === "left" ? -lean : lean;
  return (
    <path
      d={`M${far},18 L${x},18 L${x + bend},38 L${far},38 Z`}
      fill="var(--field)"
      stroke="var(--ink)"
      strokeWidth="1"
    />
  );
}
