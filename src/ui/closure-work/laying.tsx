"use client";

import { Pause, Play } from "lucide-react";
import { useEffect, useState } from "react";
import { type ClosureAtWork, type LayingStep, layingOrder, type SpliceState, slotAt } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";

/** How long each step stands while the order is played, milliseconds. */
const STEP_MS = 900;

/** A splice by its id: its number on the page, and how it stands. */
type Numbered = ReadonlyMap<string, { readonly number: number; readonly state: SpliceState }>;

/** The steps in which one tray is laid, and those that are shown done; null while the order is not played. */
export function useLaying(at: ClosureAtWork, tray: number, splices: readonly SpliceState[]) {
  const { trays } = at.entry;
  const [done, setDone] = useState<number | null>(null);
  const numbered: Numbered = new Map(
    splices.map((state, i) => [state.splice.id, { number: i + 1, state }] as const),
  );
  const steps = trays
    ? layingOrder(
        trays,
        splices.flatMap(({ splice, laid, standing }) => {
          const place = splice.slot === null ? null : slotAt(trays, splice.slot);
          return place?.tray === tray && standing !== "left"
            ? [{ id: splice.id, slot: place.slot, laid }]
            : [];
        }),
      )
    : [];
  return { steps, numbered, done, setDone, played: done === null ? null : steps.slice(0, done) };
}

/** Plays the order in which a tray is laid, step by step, by itself or by the arrow keys. */
export function Laying({ steps, numbered, done, setDone }: ReturnType<typeof useLaying>) {
  const [plays, setPlays] = useState(false);
  const at = done ?? 0;
  useEffect(() => {
    if (!plays) return;
    if (at >= steps.length) return setPlays(false);
    const timer = setTimeout(() => setDone(at + 1), STEP_MS);
    return () => clearTimeout(timer);
  }, [plays, at, steps.length, setDone]);
  if (steps.length === 0) return null;
  const step = steps[at - 1];
  return (
    <section
      aria-label={t("order-of-laying")}
      className="no-print flex flex-wrap items-center gap-x-3 gap-y-1"
    >
      <Button
        size="small"
        look="quiet"
        onClick={() => {
          if (!plays && at >= steps.length) setDone(0);
          setPlays(!plays);
        }}
      >
        {plays ? (
          <Pause aria-hidden="true" className="size-4" />
        ) : (
          <Play aria-hidden="true" className="size-4" />
        )}
        {plays ? t("pause") : t("play-the-order")}
      </Button>
      <input
        type="range"
        min={0}
        max={steps.length}
        value={at}
        aria-label={t("order-of-laying")}
        aria-valuetext={step ? stepText(step, numbered) : t("nothing-laid-yet")}
        onChange={(event) => {
          setPlays(false);
          setDone(Number(event.target.value));
        }}
        className="min-h-12 w-48 accent-ink"
      />
      <p aria-live="polite" className="basis-64">
        {step
          ? `${t("step-of-steps", { at, of: steps.length })}: ${stepText(step, numbered)}`
          : t("order-lifts-nothing", { count: steps.length })}
      </p>
      {done !== null && (
        <Button
          size="small"
          look="quiet"
          onClick={() => {
            setPlays(false);
            setDone(null);
          }}
        >
          {t("show-all")}
        </Button>
      )}
    </section>
  );
}

/** A step of laying in words. */
function stepText({ splice, lays }: LayingStep, numbered: Numbered): string {
  const { number = 0, state } = numbered.get(splice) ?? {};
  if (lays === "sleeve") return t("lay-its-sleeve", { number, slot: state?.splice.slot ?? "" });
  const turns = (side: "a" | "b") => {
    const count = state?.laid?.[side].turns;
    return count ? decimal(String(count)) : "–";
  };
  return t("lay-its-loops", { number, a: turns("a"), b: turns("b") });
}
