"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import {
  type BadLook,
  badLookAt,
  beginWork,
  type Cable,
  goBackTo,
  mustHoldAt,
  offeredSteps,
  type Procedure,
  stepsLeft,
  type Tool,
  takeStep,
  usualPlacements,
  violationText,
  waysAfter,
} from "@/core";
import { t } from "@/messages/practice";
import { ProgressBar } from "../shell/progress-bar";
import { DrillChoice } from "./drill-choice";
import { type DrillProps, DrillResult } from "./drill-result";
import { endName } from "./drill-words";

/** A whole end that can be practised, on one cable. */
export interface PracticeEnd {
  readonly procedure: Procedure;
  readonly cable: Cable;
}

interface WorkDrillProps extends DrillProps {
  readonly end: PracticeEnd;
  readonly tools: readonly Tool[];
}

/** Seconds a turn may take, and the mistakes an end may have, to count as known. */
const [TURN_SECONDS, MOST_MISTAKES] = [8, 2];
const GO_ON = "go-on";

const clockText = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;

/** A whole end against the clock: the next step chosen at each turn, and the way back from what goes wrong. */
export function WorkDrill({ end, tools, onAnswer, onNext }: WorkDrillProps) {
  const drill = useWork(end, tools, onAnswer);
  const { work, mishap, mistakes, turns, seconds, offered, ways, problem, isDone, hasPassed } = drill;
  const all = work.course.placement.steps;
  const titleOf = (id: string) => all.find((step) => step.id === id)?.title ?? id;
  return (
    <section aria-labelledby="drill">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="drill" className="mr-auto font-bold text-2xl">
          {isDone ? t("end-done") : mishap ? t("where-to-now") : t("which-step-next")}
        </h2>
        <span className="figures text-lg">
          {clockText(seconds)} / {clockText(turns * TURN_SECONDS)}
        </span>
      </div>
      <p className="text-soft">
        {endName(end.procedure.id)} · {t("steps-done", { done: work.done.length, all: all.length, mistakes })}
      </p>
      <Done titles={work.done.map(titleOf)} all={all.length} />
      {mishap && (
        <p className="mt-3 rounded-lg border-2 border-inch bg-note px-4 py-3 text-lg">
          {mishap.step.title}: <strong>{mishap.answer.sees}</strong>
        </p>
      )}
      {!isDone && (
        <DrillChoice
          disabled={false}
          choices={
            mishap
              ? ways.map((id) => ({
                  key: id ?? GO_ON,
                  text: id === null ? t("go-on") : t("back-to", { step: titleOf(id) }),
                }))
              : offered.map(({ id, title }) => ({ key: id, text: title }))
          }
          onPick={mishap ? drill.goBack : drill.take}
        />
      )}
      <p role="alert" className="mt-3 min-h-8 text-lg text-out">
        {problem}
      </p>
      {isDone && (
        <DrillResult
          right={hasPassed}
          was=""
          more={t("end-took", {
            mistakes,
            took: clockText(seconds),
            par: clockText(turns * TURN_SECONDS),
            most: MOST_MISTAKES,
          })}
          onNext={onNext}
        />
      )}
    </section>
  );
}

/** The state of a whole end that is practised. */
function useWork(
  { procedure, cable }: PracticeEnd,
  tools: readonly Tool[],
  onAnswer: DrillProps["onAnswer"],
) {
  const placement = useMemo(
    () => mustHoldAt(usualPlacements(procedure, [cable], tools), 0),
    [procedure, cable, tools],
  );
  const [work, setWork] = useState(() => beginWork(placement));
  const [mishap, setMishap] = useState<BadLook | null>(null);
  const [mishaps, setMishaps] = useState(0);
  const [mistakes, setMistakes] = useState(0);
  const [turns, setTurns] = useState(placement.steps.length);
  const [problem, setProblem] = useState("");
  const isDone = stepsLeft(work).length === 0 && mishap === null;
  const seconds = useSeconds(!isDone);
  const hasPassed = mistakes <= MOST_MISTAKES && seconds <= turns * TURN_SECONDS;
  // The choices are drawn once a turn. The clock must not draw them again.
  const offered = useMemo(() => offeredSteps(work, Math.random), [work]);
  const ways = useMemo(() => (mishap ? waysAfter(work, mishap, Math.random) : []), [work, mishap]);
  const hasAnswered = useRef(false);
  useEffect(() => {
    if (!isDone || hasAnswered.current) return;
    hasAnswered.current = true;
    onAnswer(hasPassed);
  }, [isDone, hasPassed, onAnswer]);
  const fail = (why: string) => {
    setMistakes(mistakes + 1);
    setProblem(why);
  };
  const take = (id: string) => {
    const next = takeStep(work, id);
    if ("violation" in next) return fail(violationText(next.violation));
    setProblem("");
    setWork(next.work);
    const wrong = badLookAt(next.work, id, Math.random, mishaps);
    if (!wrong) return;
    setMishap(wrong);
    setMishaps(mishaps + 1);
  };
  const goBack = (key: string) => {
    if (!mishap) return;
    if (!mishap.back.includes(key))
      return fail(`${mishap.answer.means} ${mishap.answer.action}`.trim() || t("not-there"));
    const back = goBackTo(work, key);
    setTurns(turns + work.done.length - back.done.length);
    setProblem("");
    setMishap(null);
    setWork(back);
  };
  return { work, mishap, mistakes, turns, seconds, offered, ways, problem, isDone, hasPassed, take, goBack };
}

/** Seconds since the drill began; they stand still once it is done. */
function useSeconds(running: boolean): number {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setSeconds((before) => before + 1), 1_000);
    return () => clearInterval(timer);
  }, [running]);
  return seconds;
}

/** The last steps that were done, and how far that is. */
function Done({ titles, all }: { readonly titles: readonly string[]; readonly all: number }) {
  return (
    <>
      <div className="mt-2">
        <ProgressBar value={titles.length} most={all} name={t("steps")} />
      </div>
      <p className="mt-1 truncate text-soft">{titles.slice(-3).join(" → ")}</p>
    </>
  );
}
