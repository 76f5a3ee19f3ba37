"use client";

import { useCallback, useEffect, useState } from "react";
import { toast } from "sonner";
import {
  type CheckStanding,
  type EndAdvice,
  type EndEvent,
  type EndState,
  isMidRun,
  leavingEvents,
  legsTold,
  missingParts,
  missingText,
  nextLine,
  openPoints,
  openTold,
  type Recorded,
  type Rule,
  type RunSheet,
  resultOf,
  reworkEvent,
  type StepBlocker,
  startingOver,
  stepBlocker,
  takeBackEvent,
} from "@/core";
import { t } from "@/messages/bench";
import { useEnd } from "../live/use-end";
import type { Typed } from "../reading/reading-props";
import { useTimers } from "../timers/timers-context";
import { heldWords } from "../words/held-words";
import { useKept, yesOrNo } from "../words/use-kept";
import { actText } from "./act-text";
import { partActsOn } from "./part-acts";
import { useStanding } from "./use-standing";

interface Work {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly initial: readonly Recorded[];
  /** After a step is done: whether something else takes over, as the next end of a batch. */
  readonly onDone?: ((events: readonly EndEvent[], before: EndState) => void) | undefined;
}

/** What the step still asks for, as it is said, and where it was said. */
interface StepHeld extends Pick<StepBlocker, "usual"> {
  readonly at: string;
  readonly message: string;
}

/** The work on one end: where it stands, and what going on, going back and striking out do. */
export function useWork({ id, sheet, rule, initial, onDone }: Work) {
  const live = useEnd(id, initial);
  const { state, add, waiting } = live;
  const { refresh, serverNow } = useTimers();
  const [signing, setSigning] = useKept<boolean>(`signing/${id}`, false, yesOrNo);
  const [typed, setTyped] = useState<Typed | null>(null);
  /** Lengths that no reading settles and that are to be redone as if they were out. */
  const [unsettled, setUnsettled] = useState<readonly string[]>([]);
  /** What is counted at the step in hand; kept on the device until the step is left. */
  const passes = `${state.reworks}/${JSON.stringify(state.attempts)}`;
  const [saved, setKept] = useKept<string>(`count/${id}`, "", textOf);
  /** What the step still asks for, told at the first press; a second press passes it by. */
  const [held, setHeld] = useState<StepHeld | null>(null);
  const standing = useStanding(sheet, state, rule, unsettled);
  const { trim, line, all, last, undone } = standing;
  const countsAt = `${line.step.id}/${passes}`;
  const count = saved.startsWith(`${countsAt} `)
    ? Number(saved.slice(countsAt.length + 1))
    : (state.counted[line.step.id] ?? 0);
  /** What was said of the step holds until it is left, or what it asks for has changed. */
  const standsAt = `${line.index} ${heldWords(undone, null)}`;

  useEffect(() => {
    if (waiting === 0 && state.timers.length > 0) refresh();
  }, [waiting, state.timers, refresh]);

  const go = useCallback(
    (to: number) => {
      const missing = to > state.at ? missingParts(sheet, state, to) : [];
      if (missing.length > 0) {
        toast(missingText(missing), { id: GATE });
        return false;
      }
      toast.dismiss(GATE);
      if (trim && to !== state.at) {
        toast(t("trim-the-end-first"), { id: GATE });
        return false;
      }
      setSigning(false);
      setTyped(null);
      if (to !== state.at) add({ kind: "step", to });
      return true;
    },
    [add, sheet, state, trim, setSigning],
  );
  useEffect(() => {
    if (missingParts(sheet, state).length === 0) toast.dismiss(GATE);
  }, [sheet, state]);
  const blocked = () =>
    stepBlocker({ sheet, line, state, undone, inBatch: onDone !== undefined, now: serverNow() });
  const leave = () => {
    const events = leavingEvents(line, state, count, serverNow());
    for (const event of events) add(event);
    return events;
  };
  const next = () => {
    if (signing) return;
    if (trim && state.inHand) {
      add({ kind: "trimmed", leg: state.inHand.leg });
      return;
    }
    const to = nextLine(state);
    const missing = missingParts(sheet, state, to);
    if (missing.length > 0) {
      go(to);
      return;
    }
    const blocker = blocked();
    if (blocker !== null && held?.at !== standsAt) {
      const { running, late, usual } = blocker;
      const message = heldWords(undone, late, running ? line.step.title : null, isMidRun(sheet));
      setHeld({ at: standsAt, message: message ?? "", usual });
      return;
    }
    setHeld(null);
    const events: EndEvent[] = leave();
    if (last) {
      setSigning(true);
      return;
    }
    const step: EndEvent = { kind: "step", to };
    setTyped(null);
    add(step);
    onDone?.([...events, step], state);
  };
  const back = () => {
    if (signing) setSigning(false);
    else if (line.index > 0) go(state.inHand?.steps.findLast((index) => index < state.at) ?? line.index - 1);
  };
  const strike = (reading: string) => {
    if (state.readings.some(({ id }) => id === reading)) add({ kind: "strike", reading });
  };
  const take = (endAdvice: EndAdvice, plan: "least" | "recommended") => {
    const event =
      endAdvice.kind === "rework"
        ? reworkEvent(endAdvice, plan)
        : endAdvice.kind === "start-over"
          ? endAdvice.again
          : null;
    if (!event) return;
    setSigning(false);
    setTyped(null);
    setUnsettled([]);
    add(event);
  };
  const clear = () => {
    setSigning(false);
    setTyped(null);
  };
  const partActs = partActsOn(sheet, add, clear);
  const undo = () => {
    const event = takeBackEvent(state);
    if (!event) return;
    setSigning(false);
    setTyped(null);
    setHeld(null);
    add(event);
  };
  const lastAct = state.acts.at(-1);
  return {
    ...live,
    ...standing,
    ...partActs,
    id,
    take,
    result: resultOf(sheet, state, rule),
    legs: legsTold(
      sheet,
      all.map(({ check, judged }) => ({ leg: check.leg, verdict: judged?.verdict ?? null })),
      state.faults.map(({ leg }) => ({ leg, stands: true })),
    ),
    signing,
    setSigning,
    typed,
    setTyped,
    go,
    next,
    back,
    strike,
    undo,
    /** What taking the last act back undoes; null where there is nothing to take back. */
    count,
    setCount: (next: number) => setKept(`${countsAt} ${Math.max(0, next)}`),
    undoes: lastAct ? actText(sheet, lastAct.body) : null,
    unsettled,
    setUnsettled,
    held: held?.at === standsAt ? held : null,
    letGo: () => setHeld(null),
    open: openPoints(sheet, state, rule).map(openTold),
    restartCost: startingOver(sheet, state),
  };
}

const textOf = (saved: unknown) => (typeof saved === "string" ? saved : undefined);

/** The message about a part not threaded on: one at a time, and gone once it is on. */
const GATE = "gate";

export type BenchWork = ReturnType<typeof useWork>;

/** The length being read: the one typed or picked, else the first not read yet. */
export const activeOf = (
  here: readonly CheckStanding[],
  wanted: string | undefined,
): CheckStanding | undefined =>
  here.find(({ check }) => check.id === wanted) ?? here.find(({ judged }) => judged === null) ?? here[0];
