"use client";

import { useCallback, useMemo, useState } from "react";
import useUndo from "use-undo";
import type { PieceId } from "@/core";
import { attempt, type PieceNeeds, type PieceParts, type PiecePlan, pieceNeeds } from "@/core";
import { sendPlan } from "../plan/save-plans";
import { usePrefs } from "../prefs/prefs-context";
import { useKeeper } from "./use-keeper";

interface Start {
  readonly piece: PieceId;
  readonly revision: number;
  readonly plan: PiecePlan;
  readonly parts: (plan: PiecePlan) => PieceParts;
  /** Called when all that was changed is kept. */
  readonly onKept: () => void;
}

/**
 * A piece's plan being edited: an impossible change is refused and shown; a possible one is worked out at once, saved on the
 * server as its next revision, and taken back one change at a time.
 */
export function usePlan({ piece, revision, plan: initial, parts, onKept }: Start) {
  const { prefs } = usePrefs();
  const [{ past, present: plan }, history] = useUndo(initial);
  const { set, undo: goBack } = history;
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState<PiecePlan | null>(null);
  const shown = tried ?? plan;
  const needs: PieceNeeds = useMemo(() => pieceNeeds(shown, parts(shown)), [shown, parts]);
  const send = useCallback(
    (next: PiecePlan, basis: number) => sendPlan({ id: piece, basis, plan: next }, prefs.person),
    [piece, prefs.person],
  );
  const onNewer = () => {
    history.reset(initial);
    setTried(null);
    setProblem(null);
  };
  const { saved, keep } = useKeeper({ revision, send, onKept, onNewer });

  const change = useCallback(
    (make: (before: PiecePlan) => PiecePlan): boolean => {
      const next = make(plan);
      const cannot = cannotBe(next, parts(next));
      setProblem(cannot);
      if (cannot !== null) return false;
      set(next);
      void keep(next);
      return true;
    },
    [plan, parts, keep, set],
  );

  /** Shows the plan with a change nobody has made yet; null shows it as it is. What cannot be is not shown. */
  const tryOut = useCallback(
    (make: ((before: PiecePlan) => PiecePlan) | null) => {
      const next = make ? make(plan) : null;
      if (next && cannotBe(next, parts(next)) !== null) return;
      setTried(next);
    },
    [plan, parts],
  );

  const undo = useCallback(() => {
    const before = past.at(-1);
    if (!before) return;
    setProblem(null);
    goBack();
    void keep(before);
  }, [past, keep, goBack]);

  return {
    plan,
    /** As it is shown: with what is being dragged. */
    shown,
    needs,
    change,
    tryOut,
    undo,
    mayUndo: history.canUndo,
    problem,
    saved,
    again: () => keep(plan),
  };
}

/** Why a plan cannot be, or null where it can. */
const cannotBe = (plan: PiecePlan, parts: PieceParts): string | null =>
  attempt(() => pieceNeeds(plan, parts)).problem?.message ?? null;
