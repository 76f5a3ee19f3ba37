"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import { toast } from "sonner";
import {
  advise,
  type CheckStanding,
  type EndState,
  type Entry,
  formatMm,
  judgementOf,
  type Line,
  type MendAdvice,
  mendedSheet,
  missingParts,
  nextLine,
  type Recorded,
  type Rule,
  type RunSheet,
  resultOf,
  reworkEntry,
  spentAt,
  standings,
} from "@/core";
import { useEnd } from "../live/use-end";
import type { Typed } from "../reading/reading-panel";
import { useTimers } from "../timers/timers-context";

interface Work {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly initial: readonly Recorded[];
  /** After a step is done: whether something else takes over, as the next end of a batch. */
  readonly onDone?: ((entries: readonly Entry[], before: EndState) => void) | undefined;
}

/** The work on one end: where it stands, and what going on, going back and striking out do. */
export function useWork({ id, sheet, rule, initial, onDone }: Work) {
  const live = useEnd(id, initial);
  const { state, add, waiting } = live;
  const { refresh, serverNow } = useTimers();
  const [signing, setSigning] = useState(false);
  const [typed, setTyped] = useState<Typed | null>(null);
  /** The sheet as this end has it: by the figures of its last rework, if any. */
  const drawn = useMemo(() => mendedSheet(sheet, state), [sheet, state]);
  const line = drawn.lines[Math.min(state.at, sheet.lines.length - 1)] as Line;
  const all = useMemo(() => standings(sheet, state, rule), [sheet, state, rule]);
  const here = useMemo(() => all.filter(({ check }) => check.step === line.step.id), [all, line]);
  const last = line.index === sheet.lines.length - 1 && !state.mend;
  const advice = useMemo(() => advise(sheet, state, rule, badAnswer(sheet, state)), [sheet, state, rule]);

  useEffect(() => {
    if (waiting === 0 && state.timers.length > 0) refresh();
  }, [waiting, state.timers, refresh]);

  const go = useCallback(
    (to: number) => {
      const missing = missingParts(sheet, state, to);
      if (missing.length > 0) {
        toast(`Thread on first: ${missing.join(", ")}. It cannot be added later.`);
        return false;
      }
      setSigning(false);
      setTyped(null);
      if (to !== state.at) add({ kind: "step", to });
      return true;
    },
    [add, sheet, state],
  );
  /** What leaving the step logs: what it used up and broke off, and the end of a time that is over. */
  const leave = () => {
    const over = state.timers.find(
      ({ step, startedAt, seconds, stoppedAt }) =>
        step === line.step.id && !stoppedAt && serverNow() >= Date.parse(startedAt) + seconds * 1000,
    );
    const entries: Entry[] = [
      ...spentAt(line, state),
      ...(over ? [{ kind: "timer", step: over.step, action: "stop", seconds: over.seconds } as const] : []),
    ];
    for (const entry of entries) add(entry);
    return entries;
  };
  const next = () => {
    if (signing) return;
    const to = nextLine(state);
    const missing = missingParts(sheet, state, to);
    if (missing.length > 0) {
      go(to);
      return;
    }
    const entries: Entry[] = leave();
    if (last) {
      setSigning(true);
      return;
    }
    const step: Entry = { kind: "step", to };
    setTyped(null);
    add(step);
    onDone?.([...entries, step], state);
  };
  const back = () => {
    if (signing) setSigning(false);
    else if (line.index > 0) go(line.index - 1);
  };
  const strike = (reading: string) => {
    const kept = state.readings.find((one) => one.id === reading);
    if (!kept) return;
    const { id: _id, at: _at, ...again } = kept;
    add({ kind: "strike", reading });
    toast(`Struck out ${kept.typed}.`, { action: { label: "Put back", onClick: () => add(again) } });
  };
  const take = (one: MendAdvice, plan: "least" | "recommended") => {
    if (one.kind !== "mend") return;
    const entry = reworkEntry(one, plan);
    setSigning(false);
    setTyped(null);
    const id = add(entry);
    toast(
      entry.cableLost > 0
        ? `Redoing. ${formatMm(entry.cableLost)} mm of cable will be used.`
        : "Redoing: no cable lost.",
      { duration: 8_000, action: { label: "Undo", onClick: () => add({ kind: "untake", entry: id }) } },
    );
  };
  const undo = () => {
    const latest = state.readings.at(-1);
    if (latest) strike(latest.id);
  };
  return {
    ...live,
    id,
    drawn,
    advice,
    take,
    line,
    last,
    all,
    here,
    result: resultOf(sheet, state, rule),
    signing,
    setSigning,
    typed,
    setTyped,
    go,
    next,
    back,
    strike,
    undo,
  };
}

/** The last bad answer given, in the order of work. */
function badAnswer(sheet: RunSheet, state: EndState): { judgement: string; answer: string } | null {
  for (const { step } of [...sheet.lines].reverse()) {
    const judgement = judgementOf(step);
    const answer = judgement && state.answers[judgement.id];
    if (answer !== undefined && judgement?.answers.some(({ id, good }) => id === answer && !good))
      return { judgement: judgement.id, answer };
  }
  return null;
}

export type BenchWork = ReturnType<typeof useWork>;

/** The length being read: the one typed or picked, else the first not read yet. */
export const activeOf = (
  here: readonly CheckStanding[],
  wanted: string | undefined,
): CheckStanding | undefined =>
  here.find(({ check }) => check.id === wanted) ?? here.find(({ judged }) => judged === null) ?? here[0];
