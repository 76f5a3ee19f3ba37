"use client";

import { RadioGroup } from "radix-ui";
import { type RunSheet, scheduleIn, type WhereTold, workedIn } from "@/core";
import { Button } from "../controls/button";
import { spanText } from "../words/clock-text";
import { useTitle } from "../words/use-title";
import { BatchEnds } from "./batch-ends";
import { NameEnds } from "./name-ends";
import { ScheduleDrawn } from "./schedule";
import { type Batch, MODES } from "./use-batch";

interface BatchPlanProps {
  readonly name: string;
  readonly sheet: RunSheet;
  readonly batch: Batch;
  /** Where each end is made, by its id; null for one of no piece. */
  readonly wheres: Readonly<Record<string, WhereTold | null>>;
  readonly onBegin: (place: number) => void;
}

/** The batch before it is begun, and whenever one asks: how long, in which order, who waits for what. */
export function BatchPlan({ name, sheet, batch, wheres, onBegin }: BatchPlanProps) {
  const { members, states, stages, plan, mode, setMode } = batch;
  const count = members.length;
  const all = scheduleIn(stages, count, count);
  const through = scheduleIn(stages, count, 1);
  const ways = [
    {
      id: "planned",
      name:
        plan.group === 1
          ? "As planned: end by end"
          : plan.group === count
            ? "As planned: all together"
            : `As planned: ${plan.group} at a time`,
      schedule: plan,
    },
    { id: "across", name: "Each step across all", schedule: all },
    { id: "through", name: "One end through", schedule: through },
  ] as const;
  const shown = ways.find(({ id }) => id === mode)?.schedule ?? plan;
  useTitle(`Plan · ${name}: ${count} ends · Arlent`);
  const signed = states.filter((state) => state.signed !== null).length;
  const next = batch.next(0) ?? 0;
  // The names its ends were given are the first thing that happened to it.
  const begunAt = members[0]?.events[0]?.at ?? "";
  const begun = states.some(({ at }) => at > 0);
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <header className="flex flex-wrap items-center gap-3">
        <div className="mr-auto min-w-0">
          <h1 className="wrap-anywhere font-bold text-2xl">
            {name}: {count} ends
          </h1>
          <p className="text-soft">
            {sheet.procedure.name} on {sheet.cable.name}. {signed > 0 && `${signed} of ${count} signed off.`}
          </p>
        </div>
        <NameEnds batch={batch} />
        <Button
          look="next"
          size="large"
          disabled={signed === count}
          onClick={() => onBegin(next)}
          className="px-6"
        >
          {signed === count
            ? "All are signed off"
            : `${begun ? "Go on" : "Begin"} with ${members[next]?.label}`}
        </Button>
      </header>
      <RadioGroup.Root
        value={mode}
        onValueChange={(value) => setMode(MODES.find((one) => one === value) ?? mode)}
        aria-label="In which order"
        className="mt-4 grid gap-2 md:grid-cols-3"
      >
        {ways.map(({ id, name: way, schedule }) => (
          <RadioGroup.Item
            key={id}
            value={id}
            className="min-h-16 rounded-lg border-2 border-line px-4 py-2 text-left data-[state=checked]:border-ink data-[state=checked]:bg-raised"
          >
            <span className="block font-semibold">{way}</span>
            <span className="block">
              <strong className="figures">{spanText(schedule.total)}</strong>
              {schedule.idle >= 30 && `, ${spanText(schedule.idle)} of it waiting`}
            </span>
            {schedule.pots.length > 0 && (
              <span className="block text-sm text-soft">
                {schedule.pots.length} {schedule.pots.length === 1 ? "mix" : "mixes"} of{" "}
                {schedule.pots[0]?.of}
              </span>
            )}
            {schedule.spare !== null && (
              <span className={`block text-sm ${schedule.spare < 0 ? "font-bold text-out" : "text-soft"}`}>
                {schedule.spare < 0
                  ? `out of time by ${spanText(-schedule.spare)}: ${withinOf(stages)}`
                  : `${spanText(schedule.spare)} to spare: ${withinOf(stages)}`}
              </span>
            )}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      <section aria-label="Schedule" className="mt-5">
        <ScheduleDrawn
          schedule={shown}
          stages={stages}
          worked={workedIn(states, begunAt)}
          labels={members.map(({ label }) => label)}
          at={states.map(({ at }) => at)}
        />
        <p className="mt-2 max-w-prose text-soft text-sm">
          By the times the sheet states and the usual time of each kind of step. The order at the bench
          follows the holds and cures as they really run.
        </p>
      </section>
      <BatchEnds
        ends={members.map(({ id, label }, i) => ({
          id,
          label,
          where: wheres[id] ?? null,
          done: states[i]?.signed != null,
        }))}
      />
    </main>
  );
}

const withinOf = (stages: Batch["stages"]): string =>
  [...new Set(stages.flatMap(({ within }) => (within ? [within.of] : [])))].join(", ");
