"use client";

import { useEffect, useState } from "react";
import useUndo from "use-undo";
import { attempt, check, type FeederPlan, NEW_FEEDER, zFeederPlan } from "@/core";

const KEY = "arlent:feeder";

/** A feeder being planned: each change is saved, and can be undone, one at a time. */
export interface FeederHeld {
  readonly plan: FeederPlan;
  readonly change: (plan: FeederPlan) => void;
  readonly undo: () => void;
  readonly mayUndo: boolean;
}

/** The feeder planned on this device: stored after every change, taken back one change at a time. */
export function useDeviceFeeder(): FeederHeld {
  const [{ present: plan, past }, { set, undo, reset }] = useUndo<FeederPlan>(NEW_FEEDER);
  const [loaded, setLoaded] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the page is there
  useEffect(() => {
    const text = localStorage.getItem(KEY);
    const stored = text === null ? null : readFeeder(text);
    if (stored) reset(stored);
    setLoaded(true);
  }, []);
  useEffect(() => {
    if (loaded) localStorage.setItem(KEY, JSON.stringify(plan));
  }, [loaded, plan]);
  return { plan, change: set, undo, mayUndo: past.length > 0 };
}

/** A feeder from its text; null where it is none. */
export const readFeeder = (text: string): FeederPlan | null =>
  attempt(() => check(zFeederPlan, parsedJson(text))).value ?? null;

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
