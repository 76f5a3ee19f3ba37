"use client";

import { type EndAdvice, judgementOf, seatOf } from "@/core";
import type { StepProps } from "./step-props";
import { useReadings } from "./use-readings";

/** What a step shows: worked out once for its two columns. */
export function useStepView({ sheet, work, rule, aims, onRead, way }: StepProps) {
  const { line, state, here: standings } = work;
  const judgement = judgementOf(line.step);
  const readings = useReadings(work, onRead);
  const { reading, elsewhere, settled, agree } = readings;
  const aside = !reading && !judgement;
  const missing = work.forgotten.length > 0 && line.step.kind !== "thread";
  // What was taken for another length does not count until it is seen to be right; nor is anything cut before a part is on.
  const advices: readonly EndAdvice[] =
    !elsewhere && !missing && (reading || judgement || state.faults.length > 0) ? work.advice : [];
  const seat = reading && seatOf(sheet, state, rule, reading.check.leg);
  const takeFirst = () => {
    if (elsewhere) return agree(elsewhere);
    if (missing) return;
    if (work.held) return work.letGo();
    const [first] = advices;
    // A calliper that sends Enter twice must not take the advice that its first Enter opened.
    if (first && first.kind !== "read-again" && settled)
      work.take(first, way === "least" ? "least" : "recommended");
  };
  return {
    ...readings,
    standings,
    judgement,
    aside,
    missing,
    advices,
    takeFirst,
    // Beside a timer there is no room for them.
    cautionsUnder: !aside || line.step.seconds !== undefined,
    misseated: seat && seat.finding !== "seated" ? seat : null,
    aim: aims.find(
      ({ makes, tool, set }) =>
        set !== null && line.figure?.feature === makes && "tool" in line.step && line.step.tool === tool,
    ),
  };
}

export type StepView = ReturnType<typeof useStepView>;
