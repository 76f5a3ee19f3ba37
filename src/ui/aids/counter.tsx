"use client";

import { useHotkeys } from "react-hotkeys-hook";
import { t } from "@/messages/aids";
import { Button } from "../controls/button";
import { onControl } from "./on-control";

interface CounterProps {
  /** What is counted: bites, wipes, figure eights. */
  readonly of: string;
  readonly least: number;
  readonly most: number;
  /** What one of them is, beside the count: `6.2 mm each`. */
  readonly each?: string | undefined;
  readonly count: number;
  readonly onCount: (count: number) => void;
}

/** Counts with one touch or Enter; says when it is enough and when it is too many. */
export function Counter({ of, least, most, each, count, onCount }: CounterProps) {
  useHotkeys("enter", () => onCount(count + 1), { ignoreEventWhen: onControl });
  const enough = count >= least;
  const over = count > most;
  const eights = /eight/.test(of);
  return (
    <div className="grid gap-2">
      <button
        type="button"
        onClick={() => onCount(count + 1)}
        aria-keyshortcuts="Enter"
        className={`flex min-h-20 items-center gap-4 rounded-lg border-2 px-4 text-left ${enough ? "border-in bg-in-wash" : "border-ink"}`}
      >
        <span className="figure-huge font-bold text-5xl">{count}</span>
        <span className="leading-tight">
          {t("of", { value: least === most ? least : `${least} to ${most}`, of })}
          {each && <span className="block text-soft">{each}</span>}
          <span className="block text-soft text-sm">{t("touch-or-enter-counts-one")}</span>
        </span>
      </button>
      <Pips count={count} most={most} eights={eights} />
      <p role="status" className={`flex min-h-6 items-center gap-3 ${over ? "font-bold text-out" : ""}`}>
        {over ? t("more-than-look-before-going-on", { most }) : enough ? t("that-is-enough") : ""}
        {count > 0 && (
          <Button look="link" onClick={() => onCount(count - 1)} className="ml-auto">
            {t("one-back")}
          </Button>
        )}
      </p>
    </div>
  );
}

/** One sign a count: bites as sections of what comes off, figure eights as eights. */
function Pips({ count, most, eights }: { count: number; most: number; eights: boolean }) {
  const step = Math.min(30, 320 / most);
  return (
    <svg viewBox={`0 0 ${step * most} 22`} className="h-6 max-w-full justify-self-start" aria-hidden="true">
      {Array.from({ length: most }, (_, i) => {
        const done = i < count;
        const x = i * step;
        // biome-ignore-start lint/suspicious/noArrayIndexKey: the signs are alike and never move
        return eights ? (
          <path
            key={i}
            d={`M${x + step / 2},11 c${step * 0.4},-12 ${step * 0.4},12 0,0 c-${step * 0.4},-12 -${step * 0.4},12 0,0`}
            fill="none"
            stroke={done ? "var(--in)" : "var(--line)"}
            strokeWidth="2.5"
          />
        ) : (
          <rect
            key={i}
            x={x + 1.5}
            y="4"
            width={step - 3}
            height="14"
            rx="2"
            fill={done ? "var(--in)" : "none"}
            stroke={done ? "var(--in)" : "var(--soft)"}
          />
        );
        // biome-ignore-end lint/suspicious/noArrayIndexKey: the signs are alike and never move
      })}
    </svg>
  );
}
