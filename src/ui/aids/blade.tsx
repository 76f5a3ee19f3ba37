"use client";

import type { BladeLine } from "@/core";
import { t } from "@/messages/aids";
import { count } from "@/messages/numbers";
import { ChoiceButton } from "../controls/choice";

interface BladeProps {
  readonly blade: BladeLine;
  readonly onSeeTo: (tool: string, action: "wipe" | "turn" | "new") => void;
}

const SAY = {
  wipe: t("wipe-the-blade-before-this-cleave"),
  turn: t("this-place-is-used-up-turn"),
  new: t("every-place-is-used-up-a"),
} as const;

/** The blade before a cleave: its places, what is left, and what is due first. */
export function BladeAid({ blade: { tool, name, positions, standing }, onSeeTo }: BladeProps) {
  const { position, leftHere, left, wipeIn, due } = standing;
  return (
    <section aria-label={t("blade")} className="grid gap-2 rounded-lg border border-line px-3 py-2">
      <div className="flex items-center gap-3">
        <Places positions={positions} position={position} />
        <p className="leading-tight">
          <span className="font-semibold">{t("place-of", { position, positions })}</span>
          <span className="block text-soft text-sm">
            <span className="figures">{count(leftHere)}</span> {t("cleaves-left-here")}{" "}
            <span className="figures">{count(left)}</span>{" "}
            {t("in-all", { value: wipeIn === 0 ? t("wipe-now") : t("wipe-in", { wipeIn }) })}
          </span>
        </p>
      </div>
      {due && (
        <p role="status" className="border-now border-l-4 pl-2 font-bold">
          {SAY[due]}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {(["wipe", "turn", "new"] as const).map((action) => (
          <ChoiceButton
            key={action}
            aria-label={`${{ wipe: t("wiped"), turn: t("turned"), new: t("new-blade") }[action]}: ${name}`}
            onClick={() => onSeeTo(tool, action)}
            tone={due === action ? "now" : "line"}
            className="flex-1 text-center font-semibold"
          >
            {{ wipe: t("wiped"), turn: t("turned"), new: t("new-blade") }[action]}
          </ChoiceButton>
        ))}
      </div>
    </section>
  );
}

function Places({ positions, position }: { positions: number; position: number }) {
  return (
    <svg viewBox="-32 -32 64 64" className="size-14 shrink-0" aria-hidden="true">
      <circle r="20" fill="none" stroke="var(--soft)" />
      {Array.from({ length: positions }, (_, i) => {
        const turn = (i / positions) * 2 * Math.PI - Math.PI / 2;
        return (
          <circle
            // biome-ignore lint/suspicious/noArrayIndexKey: places are numbered and never move
            key={i}
            cx={26 * Math.cos(turn)}
            cy={26 * Math.sin(turn)}
            r={i + 1 === position ? 5 : 3}
            fill={i + 1 === position ? "var(--now)" : i + 1 < position ? "var(--ink)" : "none"}
            stroke="var(--ink)"
          />
        );
      })}
    </svg>
  );
}
