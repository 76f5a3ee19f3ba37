"use client";

import { useEffect, useRef } from "react";
import type { RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { stepIntoView, toStep } from "../keys/to-step";
import { hush, say, stepAloud } from "../words/aloud";
import type { Units } from "../words/length-text";
import { useTitle } from "../words/use-title";
import type { BenchWork } from "../work/use-work";
import { useBenchKeys } from "./use-bench-keys";

interface StepPage {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly units: Units;
  /** Whether each step is spoken as it comes up. */
  readonly speaks: boolean;
  readonly nextUnits: () => void;
}

/** The page around a step: its keys, its title, the step in view and spoken. @returns what speaks the step again. */
export function useStepPage({ id, sheet, work, units, speaks: spoken, nextUnits }: StepPage): () => void {
  const { state, line, signing } = work;
  const aloud = () => say(stepAloud(work.drawn, line, units));
  useBenchKeys({
    enabled: state.signed === null,
    next: work.next,
    back: work.back,
    units: nextUnits,
    undo: work.undo,
    aloud,
  });

  const step = line.step.id;
  const speaks = spoken && !signing && state.signed === null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step is spoken once, as it comes up
  useEffect(() => {
    if (speaks) aloud();
    return hush;
  }, [step, speaks]);
  const stepped = `${step}/${signing}/${id}`;
  const shownBefore = useRef(stepped);
  // A step that comes up is where the keys are; the first one is left to whoever opened the page.
  useEffect(() => {
    if (shownBefore.current !== stepped) toStep();
    else stepIntoView();
    shownBefore.current = stepped;
  }, [stepped]);
  const titled = state.signed ? t("on-record") : signing ? "Sign-off" : line.step.title;
  const named = [state.job, state.label].filter(Boolean).join(" · ") || sheet.procedure.name;
  useTitle(t("arlent", { titled, named }));
  return aloud;
}
