"use client";

import { useCallback, useMemo, useState } from "react";
import { type Cable, type Port, problemOf } from "@/core";
import { type EntryCable, namedCables, placedIn, writeCables } from "./entry-cables";

/** The cables of an entry under the hand: in the address bar, each change taken back by one step. */
export function useEntryCables(
  initial: readonly EntryCable[],
  ports: readonly Port[],
  shelf: readonly Cable[],
) {
  const [history, setHistory] = useState<readonly (readonly EntryCable[])[]>([initial]);
  const [problem, setProblem] = useState<string | null>(null);
  const cables = history.at(-1) ?? initial;
  const named = useMemo(() => namedCables(cables, shelf), [cables, shelf]);
  const placed = useMemo(() => attempt(() => placedIn(ports, named)), [ports, named]);
  const show = useCallback((next: readonly EntryCable[]) => {
    const query = new URLSearchParams(writeCables(next).map((text) => ["c", text]));
    window.history.replaceState(window.history.state, "", `?${query}`);
  }, []);
  /** Takes a change, or says why it cannot be and leaves all as it was. */
  const change = (next: readonly EntryCable[]): boolean => {
    const tried = attempt(() => placedIn(ports, namedCables(next, shelf)));
    setProblem(tried.problem);
    if (tried.problem !== null) return false;
    setHistory((before) => [...before, next]);
    show(next);
    return true;
  };
  const undo = () => {
    const before = history.at(-2);
    if (!before) return;
    setProblem(null);
    setHistory((all) => all.slice(0, -1));
    show(before);
  };
  return {
    cables,
    named,
    placed: placed.value,
    change,
    undo,
    mayUndo: history.length > 1,
    problem: problem ?? placed.problem,
  };
}

function attempt<T>(make: () => T): { readonly value: T | null; readonly problem: string | null } {
  try {
    return { value: make(), problem: null };
  } catch (error) {
    const said = problemOf(error);
    if (!said) throw error;
    return { value: null, problem: said.message };
  }
}
