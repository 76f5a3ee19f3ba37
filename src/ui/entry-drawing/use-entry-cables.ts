"use client";

import { useCallback, useMemo, useState } from "react";
import useUndo from "use-undo";
import type { Cable, ClosureCable, Port } from "@/core";
import { language } from "@/messages/language";
import { useBeside } from "../beside/use-beside";
import { namedCables, writeCables } from "./entry-cables";
import type { PlacingAnswer, PlacingQuestion } from "./ports-answer";

/** Keeps the cables of an entry in the address bar alone. */
export function showInAddress(cables: readonly ClosureCable[]): void {
  const query = new URLSearchParams(writeCables(cables).map((text) => ["c", text]));
  window.history.replaceState(window.history.state, "", `?${query}`);
}

/** Cables with the ports they go in, or why they cannot all go in. */
export interface PortedCables {
  readonly cables: readonly ClosureCable[];
  readonly answer: PlacingAnswer;
}

const portsWorker = () => new Worker(new URL("./ports-worker.ts", import.meta.url), { type: "module" });

/**
 * The cables of an entry being planned: each change is shown at once, checked beside the page, then handed to the caller to
 * save, and can be undone. One that cannot be is taken out again, and its reason told.
 */
export function useEntryCables(
  initial: PortedCables,
  ports: readonly Port[],
  shelf: readonly Cable[],
  keep: (cables: readonly ClosureCable[]) => void,
) {
  const [{ past, present }, history] = useUndo(initial);
  const { undo: goBack } = history;
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState<readonly ClosureCable[] | null>(null);
  const { busy, ask, stop } = useBeside<PlacingQuestion, PlacingAnswer>(portsWorker);
  const cables = tried ?? present.cables;
  const named = useMemo(() => namedCables(cables, shelf), [cables, shelf]);
  const placed = useMemo(() => placedFor(present, cables), [present, cables]);
  /** Takes a change, once it is found that it can be; false where it cannot, or was stopped. */
  const change = async (next: readonly ClosureCable[]): Promise<boolean> => {
    setProblem(null);
    setTried(next);
    const answer = await ask({ ports, cables: namedCables(next, shelf), language: language() });
    // Dropped: a later change stands in its place, or it was stopped.
    if (!answer) return false;
    setTried(null);
    setProblem(answer.problem?.message ?? null);
    if (answer.problem !== null) return false;
    history.set({ cables: next, answer });
    keep(next);
    return true;
  };
  const leave = useCallback(() => {
    stop();
    setTried(null);
    setProblem(null);
  }, [stop]);
  const undo = useCallback(() => {
    leave();
    const before = past.at(-1);
    if (!before) return;
    goBack();
    keep(before.cables);
  }, [past, keep, goBack, leave]);
  return {
    cables,
    named,
    placed,
    change,
    /** Shows other cables, from which nothing is taken back. */
    startFrom: (other: PortedCables) => {
      leave();
      history.reset(other);
    },
    undo,
    mayUndo: history.canUndo,
    problem: problem ?? present.answer.problem?.message ?? null,
    /** Whether ports are still looked for; what is shown is the last answer. */
    busy,
    stop: leave,
  };
}

/** The last answer, for the cables that are shown now: one that was added since has no port yet. */
function placedFor({ cables: answered, answer: { value } }: PortedCables, shown: readonly ClosureCable[]) {
  if (!value) return null;
  const at = new Map(answered.map(({ id }, i) => [id, value.at[i]] as const));
  return { ...value, at: shown.map(({ id }) => at.get(id)) };
}

export type EntryCables = ReturnType<typeof useEntryCables>;
