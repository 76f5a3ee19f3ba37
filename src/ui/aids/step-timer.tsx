"use client";

import { useHotkeys } from "react-hotkeys-hook";
import type { RunTimer, Step } from "@/core";
import { t } from "@/messages/aids";
import { Button } from "../controls/button";
import { useTick } from "../timers/timers-context";
import { clockText } from "../words/clock-text";
import { onControl } from "./on-control";

interface StepTimerProps {
  readonly step: Step;
  readonly seconds: NonNullable<Step["seconds"]>;
  readonly free: boolean;
  readonly timer: RunTimer | undefined;
  /** Whether Enter starts and stops it. */
  readonly enter: boolean;
  readonly onTimer: (action: "start" | "stop", seconds: number) => void;
}

const ROUND = 2 * Math.PI * 42;

/** A hold or cure: begun with one touch or Enter, it runs on wherever one goes, and calls when it is over. */
export function StepTimer({ step, seconds, free, timer, enter, onTimer }: StepTimerProps) {
  const running = timer !== undefined && timer.stoppedAt === null;
  const now = useTick(running);
  const passed = timer
    ? ((timer.stoppedAt ? Date.parse(timer.stoppedAt) : (now ?? Date.parse(timer.startedAt))) -
        Date.parse(timer.startedAt)) /
      1000
    : 0;
  const left = (timer?.seconds ?? seconds.min) - passed;
  const over = timer !== undefined && left <= 0;
  const late = seconds.max > seconds.min && passed > seconds.max;
  const press = () => (running ? onTimer("stop", seconds.min) : onTimer("start", seconds.min));
  useHotkeys("enter", press, { enabled: enter, ignoreEventWhen: onControl });
  return (
    <div className="grid gap-2">
      <div className="flex items-center gap-4">
        <svg viewBox="0 0 100 100" className="size-16 shrink-0 sm:size-24" aria-hidden="true">
          <circle cx="50" cy="50" r="42" fill="none" stroke="var(--line)" strokeWidth="9" />
          <circle
            cx="50"
            cy="50"
            r="42"
            fill="none"
            stroke={over ? "var(--in)" : "var(--now)"}
            strokeWidth="9"
            strokeDasharray={ROUND}
            strokeDashoffset={
              ROUND * (1 - Math.min(1, Math.max(0, passed / (timer?.seconds || seconds.min || 1))))
            }
            transform="rotate(-90 50 50)"
          />
        </svg>
        <p className="leading-tight">
          <span className="figure-huge block font-bold text-4xl" role="timer">
            {over ? (running ? t("time-is-up") : t("done")) : clockText(left)}
          </span>
          <span className={late ? "font-bold text-out" : "text-soft"}>
            {late
              ? t("longer-than-seconds", { max: seconds.max })
              : `${seconds.min === seconds.max ? seconds.min : `${seconds.min} to ${seconds.max}`} seconds${free ? t("hands-free") : t("held")}`}
          </span>
        </p>
      </div>
      <Button size="large" onClick={press} aria-keyshortcuts="Enter" className="font-bold">
        {running
          ? over
            ? t("it-is-done")
            : t("stop")
          : timer
            ? t("start-again")
            : `Start: ${step.title.toLowerCase()}`}
      </Button>
      {free && running && !over && <p className="text-soft">{t("it-runs-on-if-you-go")}</p>}
    </div>
  );
}
