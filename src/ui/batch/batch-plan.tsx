"use client";

import { RadioGroup } from "radix-ui";
import { type RunSheet, type Schedule, scheduleIn, type WhereTold, workedIn } from "@/core";
import { t } from "@/messages/batch";
import { Button } from "../controls/button";
import { spanText } from "../words/clock-text";
import { useTitle } from "../words/use-title";
import { BatchEnds } from "./batch-ends";
import { NameEnds } from "./name-ends";
import { ScheduleDrawn } from "./schedule";
import { type BatchWork, MODES } from "./use-batch";

interface BatchPlanProps {
  readonly name: string;
  readonly sheet: RunSheet;
  readonly batch: BatchWork;
  /** Where each end is made, by its id; null for one of no piece. */
  readonly wheres: Readonly<Record<string, WhereTold | null>>;
  readonly onBegin: (place: number) => void;
}

/** The batch before it is begun, and whenever one asks: how long, in which order, who waits for what. */
export function BatchPlan({ name, sheet, batch, wheres, onBegin }: BatchPlanProps) {
  const { members, states, stages, plan, mode, setMode } = batch;
  const count = members.length;
  const ways = waysOf(batch);
  const shown = ways.find(({ id }) => id === mode)?.schedule ?? plan;
  useTitle(t("plan-ends-arlent", { name, count }));
  const signed = states.filter((state) => state.signed !== null).length;
  const next = batch.next(0) ?? 0;
  // The names its ends were given are the first thing that happened to it.
  const begunAt = members[0]?.events[0]?.at ?? "";
  const begun = states.some(({ at }) => at > 0);
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <header className="flex flex-wrap items-center gap-3">
        <div className="mr-auto min-w-0">
          <h1 className="wrap-anywhere font-bold text-2xl">{t("ends", { name, count })}</h1>
          <p className="text-soft">
            {t("on", { name: sheet.procedure.name, name2: sheet.cable.name })}{" "}
            {signed > 0 && t("of-signed-off", { signed, count })}
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
            ? t("all-are-signed-off")
            : `${begun ? t("go-on") : t("begin")} with ${members[next]?.label}`}
        </Button>
      </header>
      <RadioGroup.Root
        value={mode}
        onValueChange={(value) => setMode(MODES.find((mode) => mode === value) ?? mode)}
        aria-label={t("in-which-order")}
        className="mt-4 grid gap-2 md:grid-cols-3"
      >
        {ways.map(({ id, name: way, schedule }) => (
          <WayItem key={id} id={id} name={way} schedule={schedule} stages={stages} />
        ))}
      </RadioGroup.Root>
      <section aria-label={t("schedule")} className="mt-5">
        <ScheduleDrawn
          schedule={shown}
          stages={stages}
          worked={workedIn(states, begunAt)}
          labels={members.map(({ label }) => label)}
          at={states.map(({ at }) => at)}
        />
        <p className="mt-2 max-w-prose text-soft text-sm">{t("by-the-times-the-sheet-states")}</p>
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

const withinOf = (stages: BatchWork["stages"]): string =>
  [...new Set(stages.flatMap(({ within }) => (within ? [within.of] : [])))].join(", ");

/** The three orders a batch can be worked in, each with its schedule. */
function waysOf({ members, stages, plan }: BatchWork) {
  const count = members.length;
  const all = scheduleIn(stages, count, count);
  const through = scheduleIn(stages, count, 1);
  return [
    {
      id: "planned",
      name:
        plan.group === 1
          ? t("as-planned-end-by-end")
          : plan.group === count
            ? t("as-planned-all-together")
            : t("as-planned-at-a-time", { group: plan.group }),
      schedule: plan,
    },
    { id: "across", name: t("each-step-across-all"), schedule: all },
    { id: "through", name: t("one-end-through"), schedule: through },
  ] as const;
}

interface WayItemProps {
  readonly id: string;
  readonly name: string;
  readonly schedule: Schedule;
  readonly stages: BatchWork["stages"];
}

/** One order: how long it takes, how much of that is waiting, and whether what is mixed lasts. */
function WayItem({ id, name: way, schedule, stages }: WayItemProps) {
  return (
    <RadioGroup.Item
      value={id}
      className="min-h-16 rounded-lg border-2 border-line px-4 py-2 text-left data-[state=checked]:border-ink data-[state=checked]:bg-raised"
    >
      <span className="block font-semibold">{way}</span>
      <span className="block">
        <strong className="figures">{spanText(schedule.total)}</strong>
        {schedule.idle >= 30 && t("of-it-waiting", { spanText: spanText(schedule.idle) })}
      </span>
      {schedule.pots.length > 0 && (
        <span className="block text-sm text-soft">
          {t("other-of", { length: schedule.pots.length })} {schedule.pots[0]?.of}
        </span>
      )}
      {schedule.spare !== null && (
        <span className={`block text-sm ${schedule.spare < 0 ? "font-bold text-out" : "text-soft"}`}>
          {schedule.spare < 0
            ? t("out-of-time-by", { spanText: spanText(-schedule.spare), withinOf: withinOf(stages) })
            : t("to-spare", { spanText: spanText(schedule.spare), withinOf: withinOf(stages) })}
        </span>
      )}
    </RadioGroup.Item>
  );
}
