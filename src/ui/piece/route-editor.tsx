"use client";

import { Minus, Plus, Trash2 } from "lucide-react";
import { type Loop, type PiecePlan, type RouteStretch, readPerCent, STRETCHES } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { metresText } from "../plan/metres";
import { type ChangePlan, MetresField, NONE, WordsField } from "./plan-fields";

interface StretchEditorProps {
  readonly stretch: RouteStretch;
  readonly at: number;
  readonly change: ChangePlan;
}

/** A stretch of the route. */
export function StretchEditor({ stretch, at, change }: StretchEditorProps) {
  const set = (changed: Partial<RouteStretch>) =>
    change((before) => ({
      ...before,
      route: before.route.map((stretch, i) => (i === at ? { ...stretch, ...changed } : stretch)),
    }));
  const drop = () =>
    change((before) => ({
      ...before,
      route: before.route.filter((_, i) => i !== at),
      loops: before.loops.map((loop) => (loop.after > at ? { ...loop, after: loop.after - 1 } : loop)),
    }));
  return (
    <div className="grid gap-3">
      <Select
        title={t("how-it-lies")}
        value={stretch.kind}
        options={STRETCHES.map((kind) => ({ id: kind, name: kind }))}
        onPick={(id) => {
          const kind = STRETCHES.find((stretch) => stretch === id);
          if (kind) set({ kind, sag: kind === "span" ? stretch.sag : null });
        }}
      />
      <WordsField title={t("name")} value={stretch.name} onTake={(name) => set({ name })} />
      <div className="grid grid-cols-2 gap-3">
        <MetresField title={t("length-m")} value={stretch.length} onTake={(length) => set({ length })} />
        <FigureField
          title={t("allowance")}
          value={stretch.allowancePct ?? NONE}
          text={(percent) => (percent === NONE ? "" : String(percent))}
          read={(text) => (text.trim() === "" ? NONE : readPerCent(text))}
          asks={t("enter-a-percentage-from-0-to")}
          onTake={(percent) => set({ allowancePct: percent === NONE ? null : percent })}
        />
        {stretch.kind === "span" && (
          <MetresField title={t("sag-m")} value={stretch.sag} onTake={(sag) => set({ sag })} />
        )}
      </div>
      <Button look="quiet" onClick={drop}>
        <Trash2 aria-hidden="true" className="size-4" /> {t("take-this-stretch-out")}
      </Button>
    </div>
  );
}

interface LoopEditorProps {
  /** The least once round that the cable may rest at, micrometres. */
  readonly leastRound: number;
  readonly plan: PiecePlan;
  readonly loop: Loop;
  readonly at: number;
  readonly change: ChangePlan;
}

/** Cable stored in turns. */
export function LoopEditor({ leastRound, plan, loop, at, change }: LoopEditorProps) {
  const set = (changed: Partial<Loop>) =>
    change((before) => ({
      ...before,
      loops: before.loops.map((loop, i) => (i === at ? { ...loop, ...changed } : loop)),
    }));
  const places = [t("side-a"), ...plan.route.map(({ name, kind }, i) => `${name || kind} (${i + 1})`)];
  return (
    <div className="grid gap-3">
      <div className="flex items-center gap-3">
        <Button
          aria-label={t("one-turn-less")}
          disabled={!loop.turns}
          onClick={() => set({ turns: (loop.turns ?? 0) - 1 })}
        >
          <Minus aria-hidden="true" className="size-5" />
        </Button>
        <output aria-label={t("turns")} className="figures min-w-24 text-center font-bold text-2xl">
          {loop.turns === null ? "? turns" : `${loop.turns} ${loop.turns === 1 ? "turn" : "turns"}`}
        </output>
        <Button aria-label={t("one-turn-more")} onClick={() => set({ turns: (loop.turns ?? 0) + 1 })}>
          <Plus aria-hidden="true" className="size-5" />
        </Button>
      </div>
      <WordsField title={t("name")} value={loop.name} onTake={(name) => set({ name })} />
      <MetresField
        title={t("once-round-m")}
        value={loop.perimeter}
        onTake={(perimeter) => set({ perimeter })}
      />
      {loop.perimeter === null && (
        <p className="text-soft text-sm">
          {t("at-least")} <span className="figures">{metresText(leastRound)}</span>{" "}
          {t("m-round-for-this-cable")}
        </p>
      )}
      <Select
        title={t("it-lies-after")}
        value={String(loop.after)}
        options={places.map((name, i) => ({ id: String(i), name }))}
        onPick={(id) => {
          set({ after: Number(id) });
        }}
      />
      <Button
        look="quiet"
        onClick={() => change((before) => ({ ...before, loops: before.loops.filter((_, i) => i !== at) }))}
      >
        <Trash2 aria-hidden="true" className="size-4" /> {t("take-this-loop-out")}
      </Button>
    </div>
  );
}
