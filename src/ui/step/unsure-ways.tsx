import { useMemo } from "react";
import { advise, type CheckStanding, type Conformance, type Rule, type RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { costWords, planCost } from "../advice/advice-words";
import { ChoiceButton } from "../controls/choice";
import type { Units } from "../words/length-text";
import type { BenchWork } from "../work/use-work";

interface UnsureWaysProps {
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly standing: CheckStanding;
  readonly work: BenchWork;
  readonly units: Units;
}

/** A length that stands open, and that no further reading by the same instrument would settle. */
const isStuck = (judged: Conformance | null): boolean => judged?.verdict === "unsure" && judged.more === null;

/** What a master does where the instrument cannot settle a length: make it again to the middle, or carry on and say so. */
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
  const isAsked = work.unsettled.includes(check.id);
  const cost =
    plan?.kind === "rework"
      ? costWords(planCost(plan.recommended), units)
      : plan
        ? costWords(plan.startOver, units)
        : null;
  const risk = Math.max(1, Math.round((1 - judged.probability) * 100));
  return (
    <section
      aria-label={t("it-cannot-be-settled-so")}
      className="mt-2 grid gap-1.5 rounded-lg border-2 border-unsure p-2.5 sm:grid-cols-2"
    >
      <p className="leading-tight sm:col-span-2">
        <strong>{t("this-instrument-cannot-settle-it")}</strong> {t("read-it-with-a-finer-one")}
      </p>
      <ChoiceButton
        aria-pressed={isAsked}
        onClick={() => work.setUnsettled(isAsked ? [] : [check.id])}
        className="aria-pressed:border-ink aria-pressed:font-bold"
      >
        {t("rework-it-to-the-middle-as")}
        {cost && <span className="block font-normal text-soft text-sm">{cost}</span>}
      </ChoiceButton>
      <ChoiceButton onClick={work.next}>
        {t("carry-on-as-it-is")}
        <span className="block text-soft text-sm">{t("that-it-is-out-the-record", { risk })}</span>
      </ChoiceButton>
    </section>
  );
}
