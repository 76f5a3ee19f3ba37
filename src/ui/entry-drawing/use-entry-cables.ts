"use client";

import { useCallback, useMemo, useState } from "react";
import { attempt, type Cable, type ClosureCable, type Port } from "@/core";
import { namedCables, placedIn, writeCables } from "./entry-cables";

/** Keeps the cables of an entry in the address bar alone. */
export function showInAddress(cables: readonly ClosureCable[]): void {
  const query = new URLSearchParams(writeCables(cables).map((text) => ["c", text]));
  window.history.replaceState(window.history.state, "", `?${query}`);
}

/**
 * The cables of an entry under the hand: each change checked, handed to whoever keeps it, and taken back by one step.
 */
export function useEntryCables(
  initial: readonly ClosureCable[],
  ports: readonly Port[],
  shelf: readonly Cable[],
  keep: (cables: readonly ClosureCable[]) => void,
) {
  const [history, setHistory] = useState<readonly (readonly ClosureCable[])[]>([initial]);
  const [problem, setProblem] = useState<string | null>(null);
  const cables = history.at(-1) ?? initial;
  const named = useMemo(() => namedCables(cables, shelf), [cables, shelf]);
  const placed = useMemo(() => attempt(() => placedIn(ports, named)), [ports, named]);
  /** Takes a change, or says why it cannot be and leaves all as it was. */
  const change = (next: readonly ClosureCable[]): boolean => {
    const tried = attempt(() => placedIn(ports, namedCables(next, shelf)));
    setProblem(tried.problem?.message ?? null);
    if (tried.problem !== null) return false;
    setHistory((before) => [...before, next]);
    keep(next);
    return true;
  };
  const undo = useCallback(() => {
    const before = history.at(-2);
    if (!before) return;
    setProblem(null);
    setHistory((all) => all.slice(0, -1));
    keep(before);
  }, [history, keep]);
  return {
    cables,
    named,
    placed: placed.value,
    change,
    /** Shows other cables, from which nothing is taken back. */
    startFrom: (other: readonly ClosureCable[]) => {
      setProblem(null);
      setHistory([other]);
    },
    undo,
    mayUndo: history.length > 1,
    problem: problem ?? placed.problem?.message ?? null,
  };
}

export type EntryCables = ReturnType<typeof useEntryCables>;
