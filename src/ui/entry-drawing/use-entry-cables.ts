"use client";

import { useCallback, useMemo, useState } from "react";
import useUndo from "use-undo";
import { attempt, type Cable, type ClosureCable, type Port } from "@/core";
import { namedCables, placedIn, writeCables } from "./entry-cables";

/** Keeps the cables of an entry in the address bar alone. */
export function showInAddress(cables: readonly ClosureCable[]): void {
  const query = new URLSearchParams(writeCables(cables).map((text) => ["c", text]));
  window.history.replaceState(window.history.state, "", `?${query}`);
}

/**
 * The cables of an entry being planned: each change is checked, handed to the caller to save, and can be undone.
 */
export function useEntryCables(
  initial: readonly ClosureCable[],
  ports: readonly Port[],
  shelf: readonly Cable[],
  keep: (cables: readonly ClosureCable[]) => void,
) {
  const [{ past, present: cables }, history] = useUndo(initial);
  const { undo: goBack } = history;
  const [problem, setProblem] = useState<string | null>(null);
  const named = useMemo(() => namedCables(cables, shelf), [cables, shelf]);
  const placed = useMemo(() => attempt(() => placedIn(ports, named)), [ports, named]);
  /** Takes a change, or says why it cannot be and leaves all as it was. */
  const change = (next: readonly ClosureCable[]): boolean => {
    const tried = attempt(() => placedIn(ports, namedCables(next, shelf)));
    setProblem(tried.problem?.message ?? null);
    if (tried.problem !== null) return false;
    history.set(next);
    keep(next);
    return true;
  };
  const undo = useCallback(() => {
    const before = past.at(-1);
    if (!before) return;
    setProblem(null);
    goBack();
    keep(before);
  }, [past, keep, goBack]);
  return {
    cables,
    named,
    placed: placed.value,
    change,
    /** Shows other cables, from which nothing is taken back. */
    startFrom: (other: readonly ClosureCable[]) => {
      setProblem(null);
      history.reset(other);
    },
    undo,
    mayUndo: history.canUndo,
    problem: problem ?? placed.problem?.message ?? null,
  };
}

export type EntryCables = ReturnType<typeof useEntryCables>;
