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
  const way = ways.find(({ id }) => id === mode) ?? ways[0];
  const shown = way?.schedule ?? plan;
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
      <WaysPicker ways={ways} mode={way?.id ?? "planned"} onMode={setMode} stages={stages} />
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

/** An order a batch can be worked in, with its schedule. */
interface Way {
  readonly id: (typeof MODES)[number];
  readonly name: string;
  readonly schedule: Schedule;
}

/** The orders a batch can be worked in, the planned one first; one that is the planned one is not given twice. */
function waysOf({ members, stages, plan }: BatchWork): readonly Way[] {
  const count = members.length;
  const name =
    plan.group === 1
      ? t("as-planned-end-by-end")
      : plan.group === count
        ? t("as-planned-all-together")
        : t("as-planned-at-a-time", { group: plan.group });
  return [
    { id: "planned", name, schedule: plan },
    ...(plan.group === count
      ? []
      : [
          {
            id: "across" as const,
            name: t("each-step-across-all"),
            schedule: scheduleIn(stages, count, count),
          },
        ]),
    ...(plan.group === 1
      ? []
      : [{ id: "through" as const, name: t("one-end-through"), schedule: scheduleIn(stages, count, 1) }]),
  ];
}

/** True if two orders take as long, wait as long, and leave as much to spare. */
const isAlike = (a: Schedule, b: Schedule): boolean =>
  a.total === b.total && a.idle === b.idle && a.spare === b.spare && a.pots.length === b.pots.length;

interface WaysPickerProps {
  readonly ways: readonly Way[];
  readonly mode: Way["id"];
  readonly onMode: (mode: Way["id"]) => void;
  readonly stages: BatchWork["stages"];
}

/** The orders to choose from; where all are alike, what they come to is told once. */
function WaysPicker({ ways, mode, onMode, stages }: WaysPickerProps) {
  const [first] = ways;
  const alike = ways.every(({ schedule }) => first && isAlike(schedule, first.schedule));
  return (
    <div className={alike ? "mt-4 flex flex-wrap items-center gap-x-6 gap-y-2" : "mt-4"}>
      {alike && first && (
        <div>
          <WayTold schedule={first.schedule} stages={stages} />
        </div>
      )}
      <RadioGroup.Root
        value={mode}
        onValueChange={(value) => onMode(MODES.find((each) => each === value) ?? mode)}
        aria-label={t("in-which-order")}
        className={alike ? "flex flex-wrap gap-2" : "grid gap-2 md:grid-cols-3"}
      >
        {ways.map(({ id, name, schedule }) => (
          <RadioGroup.Item
            key={id}
            value={id}
            className={`rounded-lg border-2 border-line px-4 py-2 text-left data-[state=checked]:border-ink data-[state=checked]:bg-raised ${alike ? "min-h-12" : "min-h-16"}`}
          >
            <span className="block font-semibold">{name}</span>
            {!alike && <WayTold schedule={schedule} stages={stages} />}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}

interface WayToldProps {
  readonly schedule: Schedule;
  readonly stages: BatchWork["stages"];
}

/** Duration of an order, the waiting in it, and the life left of what is mixed. */
function WayTold({ schedule, stages }: WayToldProps) {
  return (
    <>
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
    </>
  );
}
