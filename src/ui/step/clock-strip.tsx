"use client";

import { Hourglass } from "lucide-react";
import { type Clock, type RunSheet, runningClocks } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { useTick } from "../timers/timers-context";
import { clockText, secondsLeft } from "../words/clock-text";
import type { BenchWork } from "../work/use-work";

/** Share of its time left from which a clock warns. */
const WARNS = 0.25;

/** What must be done in time at the bench: how long is left; when it has run out, what to do about it. */
export function ClockStrip({ sheet, work }: { readonly sheet: RunSheet; readonly work: BenchWork }) {
  const clocks = work.state.parked ? [] : runningClocks(sheet, work.state);
  const now = useTick(clocks.length > 0);
  if (now === null) return null;
  return clocks.map((clock) => (
    <ClockShown key={clock.from} sheet={sheet} work={work} clock={clock} left={secondsLeft(clock, now)} />
  ));
}

interface ClockShownProps {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly clock: Clock;
  readonly left: number;
}

function ClockShown({ sheet, work, clock, left }: ClockShownProps) {
  const until = sheet.lines[clock.until]?.step.title;
  if (left > 0) {
    const warns = left < clock.seconds * WARNS;
    return (
      <p
        className={`flex items-center gap-2 rounded-md px-2 leading-tight ${warns ? "bg-now-wash font-bold" : "text-soft"}`}
      >
        <Hourglass aria-hidden="true" className="size-4 shrink-0" />
        <span className="min-w-0 flex-1">
          {t("until", { value: warns ? t("hurry") : "", of: clock.of })}
          {until}”
        </span>
        <span role="timer" className="figures font-bold">
          {clockText(left)}
        </span>
      </p>
    );
  }
  const aged = work.state.faults.some(({ what: fault }) => fault === "aged");
  return (
    <div role="alert" className="grid gap-1.5 rounded-lg border-2 border-out p-2 leading-tight">
      <p>
        <strong>{t("too-late-2", { of: clock.of })}</strong>{" "}
        {clock.cleaved
          ? t("an-end-that-has-stood-in")
          : t("begin-again-from", { step: sheet.lines[clock.from]?.step.title ?? "" })}
      </p>
      {!aged && (
        <Button
          onClick={() => (clock.cleaved ? cleaveAnew(sheet, work, clock) : work.go(clock.from))}
          className="font-bold"
        >
          {clock.cleaved ? t("cleave-it-anew-say-what-that") : t("go-back-there")}
        </Button>
      )}
    </div>
  );
}

/** Says of every leg's cleaved end that it stood too long: what to rework follows from that. */
function cleaveAnew(sheet: RunSheet, { add }: BenchWork, { from }: Clock): void {
  const { step } = sheet.lines[from] ?? {};
  if (step?.kind !== "cleave") return;
  for (const leg of sheet.cable.legs)
    add({ kind: "fault", leg, feature: step.makes, what: "aged", at: null, on: true });
}
