"use client";

import { useMemo } from "react";
import {
  advise,
  type EndState,
  forgottenParts,
  judgementOf,
  mustHoldAt,
  outOfOrder,
  type Rule,
  type RunSheet,
  reworkedSheet,
  standings,
  trimming,
  undoneAt,
} from "@/core";

/** Where an end stands: its sheet as it now is, the step in hand, its lengths, and what is advised. */
export function useStanding(sheet: RunSheet, state: EndState, rule: Rule, unsettled: readonly string[]) {
  /** The sheet as this end has it: by the figures of its last rework, if any. */
  const trim = useMemo(() => trimming(sheet, state), [sheet, state]);
  const drawn = useMemo(() => trim?.sheet ?? reworkedSheet(sheet, state), [sheet, state, trim]);
  const line = trim?.line ?? mustHoldAt(drawn.lines, Math.min(state.at, sheet.lines.length - 1));
  const all = useMemo(() => standings(sheet, state, rule), [sheet, state, rule]);
  const here = useMemo(() => all.filter(({ check }) => check.step === line.step.id), [all, line]);
  const last = line.index === sheet.lines.length - 1 && !state.inHand && !trim;
  const advice = useMemo(
    () => advise(sheet, state, rule, badAnswer(sheet, state), unsettled),
    [sheet, state, rule, unsettled],
  );
  const undone = useMemo(() => undoneAt(line, state), [line, state]);
  const forgotten = useMemo(() => forgottenParts(sheet, state), [sheet, state]);
  const misordered = useMemo(() => outOfOrder(sheet, state), [sheet, state]);
  return { trim, drawn, line, all, here, last, advice, undone, forgotten, misordered };
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
