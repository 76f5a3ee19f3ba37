import { useMemo } from "react";
import { advise, type CheckStanding, type Conformance, type Rule, type RunSheet } from "@/core";
import { costWords, planCost } from "../advice/advice-words";
import { Choice } from "../controls/choice";
import type { Units } from "../words/length-text";
import type { BenchWork } from "./use-work";

interface UnsureWaysProps {
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly standing: CheckStanding;
  readonly work: BenchWork;
  readonly units: Units;
}

/** A length that stands open, and that no further reading by the same instrument would settle. */
export const isStuck = (judged: Conformance | null): boolean =>
  judged?.verdict === "unsure" && judged.more === null;

/** What a master does where the instrument cannot settle a length: make it anew to the middle, or carry on and say so. */
export function UnsureWays({ sheet, rule, standing: { check, judged }, work, units }: UnsureWaysProps) {
  const { state } = work;
  const stuck = isStuck(judged);
  const plan = useMemo(
    () =>
      stuck
        ? advise(sheet, state, rule, null, [check.id]).find(
            (endAdvice) => endAdvice.leg === check.leg && endAdvice.checks.includes(check.id),
          )
        : undefined,
    [sheet, state, rule, check, stuck],
  );
  if (!judged || !stuck) return null;
  const asked = work.unsettled.includes(check.id);
  const cost =
    plan?.kind === "rework"
      ? costWords(planCost(plan.recommended), units)
      : plan
        ? costWords(plan.startOver, units)
        : null;
  const risk = Math.max(1, Math.round((1 - judged.probability) * 100));
  return (
    <section
      aria-label="It cannot be settled so"
      className="mt-2 grid gap-1.5 rounded-lg border-2 border-unsure p-2.5 sm:grid-cols-2"
    >
      <p className="leading-tight sm:col-span-2">
        <strong>This instrument cannot settle it.</strong> Read it with a finer one, or:
      </p>
      <Choice
        aria-pressed={asked}
        onClick={() => work.setUnsettled(asked ? [] : [check.id])}
        className="aria-pressed:border-ink aria-pressed:font-bold"
      >
        Rework it to the middle, as if it were out
        {cost && <span className="block font-normal text-soft text-sm">{cost}</span>}
      </Choice>
      <Choice onClick={work.next}>
        Carry on as it is
        <span className="block text-soft text-sm">
          {risk} % that it is out; the record will say that it was not settled
        </span>
      </Choice>
    </section>
  );
}
