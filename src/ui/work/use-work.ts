"use client";

import { useCallback, useEffect, useState } from "react";
import {
  type CheckStanding,
  type EndAdvice,
  type EndEvent,
  type EndState,
  legsTold,
  openPoints,
  openTold,
  type Recorded,
  type Rule,
  type RunSheet,
  resultOf,
  reworkEvent,
  startingOver,
  takeBackEvent,
} from "@/core";
import { useEnd } from "../live/use-end";
import type { Typed } from "../reading/reading-props";
import { useTimers } from "../timers/timers-context";
import { heldWords } from "../words/held-words";
import { useKept, yesOrNo } from "../words/use-kept";
import { actText } from "./act-text";
import { partActsOn } from "./part-acts";
import { useGoTo, useHold, useNext } from "./use-next";
import { useStanding } from "./use-standing";
import { useStepCount } from "./use-step-count";

interface Work {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly initial: readonly Recorded[];
  /** After a step is done: whether something else takes over, as the next end of a batch. */
  readonly onDone?: ((events: readonly EndEvent[], before: EndState) => void) | undefined;
}

/** The state of one end's work at the bench, and the acts that move it: go on, go back, strike, undo, rework. */
export function useWork({ id, sheet, rule, initial, onDone }: Work) {
  const live = useEnd(id, initial);
  const { state, add, waiting } = live;
  const [signing, setSigning] = useKept<boolean>(`signing/${id}`, false, yesOrNo);
  const [typed, setTyped] = useState<Typed | null>(null);
  /** Lengths that no reading settles and that are redone as if they were out. */
  const [unsettled, setUnsettled] = useState<readonly string[]>([]);
  const standing = useStanding(sheet, state, rule, unsettled);
  const { line, all, last, undone } = standing;
  const trim = standing.trim !== null;
  const counting = useStepCount(id, state, line.step.id);
  useTimersOf(state, waiting);
  const clear = useCallback(() => {
    setSigning(false);
    setTyped(null);
  }, [setSigning]);
  const go = useGoTo({ sheet, state, trim, add, clear });
  const { held, letGo, hold } = useHold(`${line.index} ${heldWords(undone, null)}`);
  const next = useNext({
    ...{ sheet, state, trim, line, last, undone, held, hold, add, go, onDone },
    count: counting.count,
    onDue: letGo,
    onLast: () => setSigning(true),
    onLeft: () => setTyped(null),
  });
  const back = () => {
    if (signing) setSigning(false);
    else if (line.index > 0) go(state.inHand?.steps.findLast((index) => index < state.at) ?? line.index - 1);
  };
  const strike = (reading: string) => {
    if ([...state.readings, ...state.light].some(({ id }) => id === reading))
      add({ kind: "strike", reading });
  };
  const take = (endAdvice: EndAdvice, plan: "least" | "recommended") => {
    const event = adviceEvent(endAdvice, plan);
    if (!event) return;
    clear();
    setUnsettled([]);
    add(event);
  };
  const undo = () => {
    const event = takeBackEvent(state);
    if (!event) return;
    clear();
    letGo();
    add(event);
  };
  const lastAct = state.acts.at(-1);
  return {
    ...live,
    ...standing,
    ...counting,
    ...partActsOn(sheet, add, clear),
    id,
    take,
    result: resultOf(sheet, state, rule),
    legs: legsOf(sheet, state, all),
    signing,
    setSigning,
    typed,
    setTyped,
    go,
    next: () => {
      if (!signing) next();
    },
    back,
    strike,
    undo,
    /** The act that undo takes back, in words; null where there is none. */
    undoes: lastAct ? actText(sheet, lastAct.body) : null,
    unsettled,
    setUnsettled,
    held,
    letGo,
    open: openPoints(sheet, state, rule).map(openTold),
    restartCost: startingOver(sheet, state),
  };
}

/** Looks at the timers again once the server has stored what was done. */
function useTimersOf(state: EndState, waiting: number): void {
  const { refresh } = useTimers();
  useEffect(() => {
    if (waiting === 0 && state.timers.length > 0) refresh();
  }, [waiting, state.timers, refresh]);
}

/** The verdict on each leg, from its lengths and faults. */
const legsOf = (sheet: RunSheet, state: EndState, all: readonly CheckStanding[]) =>
  legsTold(
    sheet,
    all.map(({ check, judged }) => ({ leg: check.leg, verdict: judged?.verdict ?? null })),
    state.faults.map(({ leg }) => ({ leg, stands: true })),
  );

/** The event that takes advice up; null for advice that is only to be read. */
function adviceEvent(endAdvice: EndAdvice, plan: "least" | "recommended"): EndEvent | null {
  if (endAdvice.kind === "rework") return reworkEvent(endAdvice, plan);
  return endAdvice.kind === "start-over" ? endAdvice.again : null;
}

export type BenchWork = ReturnType<typeof useWork>;

/** The length being read: the one typed or picked, else the first not read yet. */
export const activeOf = (
  here: readonly CheckStanding[],
  wanted: string | undefined,
): CheckStanding | undefined =>
  here.find(({ check }) => check.id === wanted) ?? here.find(({ judged }) => judged === null) ?? here[0];
