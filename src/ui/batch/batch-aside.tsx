"use client";

import { Check } from "lucide-react";
import { doneAt, isHandsFree, isPlain, readyAt } from "@/core";
import { t } from "@/messages/batch";
import { ChoiceButton } from "../controls/choice";
import { useTick } from "../timers/timers-context";
import { clockText } from "../words/clock-text";
import type { BenchWork } from "../work/use-work";
import type { BatchWork } from "./use-batch";

interface BatchAsideProps {
  readonly batch: BatchWork;
  readonly place: number;
  readonly work: BenchWork;
  readonly onPlan: () => void;
}

/** An end by its number and colour: `3 green`. */
const shortOf = (label: string, place: number): string =>
  [place + 1, /^fibre \d+, (\w+)$/.exec(label)?.[1]].filter(Boolean).join(" ");

/** The ends of the batch beside the step: which is in hand, which wait, which are done; and the step on all at once. */
export function BatchAside({ batch, place, work, onPlan }: BatchAsideProps) {
  const { members, states, onOthers, setCurrent } = batch;
  const { line, state, add, last } = work;
  const now = useTick(states.some((endState) => readyAt(endState) > 0)) ?? 0;
  const others = states.filter(
    (endState, i) => i !== place && !endState.signed && !endState.inHand && endState.at === line.index,
  ).length;
  const onAll = async () => {
    if (!(await onOthers(line, (endState) => doneAt(line, endState)))) return;
    for (const { id } of line.parts)
      if (!state.threaded.includes(id)) add({ kind: "thread", part: id, on: true });
    add({ kind: "step", to: line.index + 1 });
  };
  const startAll = async () => {
    const start = {
      kind: "timer",
      step: line.step.id,
      action: "start",
      seconds: line.step.seconds?.min ?? 0,
    } as const;
    if (await onOthers(line, () => [start])) add(start);
  };
  return (
    <aside
      aria-label={t("ends-of-the-batch")}
      className="flex shrink-0 items-center gap-2 overflow-x-auto border-line border-b px-3 py-1.5 lg:block lg:w-[262px] lg:overflow-y-auto lg:border-r lg:border-b-0 lg:py-3"
    >
      <button
        type="button"
        onClick={onPlan}
        className="min-h-12 shrink-0 px-2 text-left font-semibold underline lg:w-full"
      >
        {t("plan")} <span className="hidden lg:inline">{t("and-order")}</span>
      </button>
      {others > 0 && !last && isPlain(line) && (
        <ChoiceButton onClick={onAll} tone="now" className="shrink-0 font-bold lg:mb-2 lg:w-full">
          {t("done-on-all", { value: others + 1 })}
        </ChoiceButton>
      )}
      {others > 0 && line.step.seconds && isHandsFree(line.step) && (
        <ChoiceButton onClick={startAll} tone="now" className="shrink-0 font-bold lg:mb-2 lg:w-full">
          {t("start-on-all", { value: others + 1 })}
        </ChoiceButton>
      )}
      <ol className="flex gap-1 lg:grid lg:grid-cols-3">
        {members.map(({ id, label }, i) => {
          const endState = i === place ? state : states[i];
          const wait = endState ? (readyAt(endState) - now) / 1000 : 0;
          const here = i === place;
          return (
            <li key={id} className="shrink-0">
              <button
                type="button"
                title={label}
                aria-label={`${shortOf(label, i)} ${endState?.signed ? t("signed-off") : wait > 0 ? t("waits", { clockText: clockText(wait) }) : `step ${(endState?.at ?? 0) + 1}`}: ${label}`}
                aria-current={here ? "true" : undefined}
                onClick={() => setCurrent(i)}
                className={`flex min-h-12 w-full min-w-16 flex-col items-start justify-center rounded-md border px-2 leading-tight ${here ? "border-now bg-now font-bold text-on-now" : endState?.signed ? "border-in bg-in-wash" : "border-line"}`}
              >
                <span className="w-full truncate text-sm">{shortOf(label, i)}</span>{" "}
                <span className={`figures text-xs ${here ? "" : "text-soft"}`}>
                  {endState?.signed ? (
                    <Check aria-hidden="true" className="size-4" strokeWidth={3} />
                  ) : wait > 0 ? (
                    clockText(wait)
                  ) : (
                    `step ${(endState?.at ?? 0) + 1}`
                  )}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </aside>
  );
}
