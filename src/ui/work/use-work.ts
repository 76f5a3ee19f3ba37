"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import { toast } from "sonner";
import {
  advise,
  type CheckStanding,
  countedEvent,
  type EndAdvice,
  type EndEvent,
  type EndState,
  type Forgotten,
  forgottenParts,
  isHandsFree,
  isMidRun,
  judgementOf,
  legsTold,
  missingParts,
  missingText,
  mustHoldAt,
  nextLine,
  openPoints,
  openTold,
  outOfOrder,
  overFaceEvents,
  type Recorded,
  type Rule,
  type RunSheet,
  restartEvent,
  resultOf,
  reworkEvent,
  reworkedSheet,
  runningClocks,
  spentAt,
  standings,
  startingOver,
  takeBackEvent,
  trimming,
  undoneAt,
} from "@/core";
import { t } from "@/messages/bench";
import { useEnd } from "../live/use-end";
import type { Typed } from "../reading/reading-panel";
import { useTimers } from "../timers/timers-context";
import { heldWords } from "../words/held-words";
import { useKept, yesOrNo } from "../words/use-kept";
import { actText } from "./act-text";

interface Work {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly initial: readonly Recorded[];
  /** After a step is done: whether something else takes over, as the next end of a batch. */
  readonly onDone?: ((events: readonly EndEvent[], before: EndState) => void) | undefined;
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
  const [held, setHeld] = useState<StepBlocker | null>(null);
  /** The sheet as this end has it: by the figures of its last rework, if any. */
  const trim = useMemo(() => trimming(sheet, state), [sheet, state]);
  const drawn = useMemo(() => trim?.sheet ?? reworkedSheet(sheet, state), [sheet, state, trim]);
  const line = trim?.line ?? mustHoldAt(drawn.lines, Math.min(state.at, sheet.lines.length - 1));
  const countsAt = `${line.step.id}/${passes}`;
  const count = saved.startsWith(`${countsAt} `)
    ? Number(saved.slice(countsAt.length + 1))
    : (state.counted[line.step.id] ?? 0);
  const all = useMemo(() => standings(sheet, state, rule), [sheet, state, rule]);
  const here = useMemo(() => all.filter(({ check }) => check.step === line.step.id), [all, line]);
  const last = line.index === sheet.lines.length - 1 && !state.inHand && !trim;
  const advice = useMemo(
    () => advise(sheet, state, rule, badAnswer(sheet, state), unsettled),
    [sheet, state, rule, unsettled],
  );
  const undone = useMemo(() => undoneAt(line, state), [line, state]);
  /** What was told of the step holds until it is left, or what it asks for has changed. */
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
  const forgotten = useMemo(() => forgottenParts(sheet, state), [sheet, state]);
  const misordered = useMemo(() => outOfOrder(sheet, state), [sheet, state]);
  /** What the step in hand still asks for, or that its time has run out; null where nothing holds it. */
  const holding = (): Omit<StepBlocker, "at"> | null => {
    const late = runningClocks(sheet, state).find(
      ({ until, startedAt, seconds }) =>
        until === line.index && serverNow() > Date.parse(startedAt) + seconds * 1000,
    );
    const timer = state.timers.find(
      ({ step, startedAt, seconds, stoppedAt }) =>
        step === line.step.id &&
        stoppedAt === null &&
        // In a batch another end comes into the hand while this one cures.
        (!isHandsFree(line.step) || !onDone) &&
        serverNow() < Date.parse(startedAt) + seconds * 1000,
    );
    const message = heldWords(undone, late ?? null, timer ? line.step.title : null, isMidRun(sheet));
    const usual =
      undone && undone.checks.length > 0 ? "read" : undone?.asks ? "answer" : timer ? "wait" : null;
    return message === null ? null : { message, usual };
  };
  /** What leaving the step logs: what it used up and broke off, and the end of a time that is over. */
  const leave = () => {
    const over = state.timers.find(
      ({ step, startedAt, seconds, stoppedAt }) =>
        step === line.step.id && !stoppedAt && serverNow() >= Date.parse(startedAt) + seconds * 1000,
    );
    const events: EndEvent[] = [
      ...countedEvent(line, count),
      ...spentAt(line, state, count > 0 ? count : null),
      ...(over ? [{ kind: "timer", step: over.step, action: "stop", seconds: over.seconds } as const] : []),
    ];
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
    const holds = holding();
    if (holds !== null && held?.at !== standsAt) {
      setHeld({ at: standsAt, ...holds });
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
  /** What puts a forgotten part right: on now with what goes in front of it, or all cut off and begun again. */
  const reworkPart = ({ part, behind, shutOutBy }: Forgotten) => {
    if (shutOutBy === null) {
      for (const { id: off } of behind) add({ kind: "thread", part: off, on: false });
      for (const { id: on } of [part, ...behind]) add({ kind: "thread", part: on, on: true });
      return;
    }
    setSigning(false);
    setTyped(null);
    add(restartEvent(sheet, part.id));
  };
  /** A forgotten part threaded over the cleaved end: what follows is a fresh cleave. */
  const threadOver = (missing: Forgotten) => {
    if (missing.overFace !== null)
      for (const event of overFaceEvents(sheet, missing, missing.overFace)) add(event);
  };
  /** Parts taken off and threaded on again, in this order. */
  const putAgain = (parts: readonly string[]) => {
    for (const on of [false, true]) for (const part of parts) add({ kind: "thread", part, on });
  };
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
    id,
    drawn,
    advice,
    take,
    line,
    last,
    all,
    here,
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
    trim,
    unsettled,
    setUnsettled,
    held: held?.at === standsAt ? held : null,
    letGo: () => setHeld(null),
    open: openPoints(sheet, state, rule).map(openTold),
    forgotten,
    misordered,
    reworkPart,
    threadOver,
    putAgain,
    restartCost: startingOver(sheet, state),
  };
}

const textOf = (saved: unknown) => (typeof saved === "string" ? saved : undefined);

/** What holds a step: told at the first press, with the usual way on. */
interface StepBlocker {
  readonly at: string;
  readonly message: string;
  readonly usual: "read" | "answer" | "wait" | null;
}

/** The message about a part not threaded on: one at a time, and gone once it is on. */
const GATE = "gate";

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
