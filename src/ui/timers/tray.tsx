"use client";

import { Popover } from "radix-ui";
import { useEffect, useRef } from "react";
import { toast } from "sonner";
import type { BenchTimer } from "@/core";
import { t } from "@/messages/timers";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { say } from "../words/aloud";
import { clockText, secondsLeft } from "../words/clock-text";
import { chime } from "./chime";
import { useTick, useTimers } from "./timers-context";

const keyOf = ({ end, step, startedAt }: BenchTimer): string => `${end}/${step}/${startedAt}`;
const hrefOf = ({ end, batch }: BenchTimer): string =>
  batch ? `/bench/batch/${batch}?end=${end}` : `/bench/${end}`;

/** What runs at the bench, on every page; each calls when it is over, once. */
export function TimerTray() {
  const { loaded, timers: running } = useTimers();
  const { prefs } = usePrefs();
  const now = useTick(running.length > 0);
  const late = running.filter((timer) => timer.clock && now !== null && secondsLeft(timer, now) <= 0);
  // What ran out is shown at its own end and in the list; the tray is for what is going on.
  const timers = running
    .filter((timer) => !late.includes(timer))
    // Who is ready first stands first, the longest ready before the others.
    .sort((a, b) => endsAt(a) - endsAt(b));
  const called = useRef<Set<string> | null>(null);
  const any = timers.length + late.length > 0;
  useEffect(() => {
    // A property of the root has the style of all there is worked out again: most pages have no tray, and are spared it.
    if (!any) return;
    const { style } = document.documentElement;
    style.setProperty("--tray", "2.75rem");
    return () => {
      style.removeProperty("--tray");
    };
  }, [any]);
  useEffect(() => {
    if (now === null || !loaded) return;
    const over = running.filter((timer) => secondsLeft(timer, now) <= 0);
    // What was over before this page was opened stands in the tray; it has called already.
    called.current ??= new Set(over.map(keyOf));
    for (const timer of over) {
      if (called.current.has(keyOf(timer))) continue;
      called.current.add(keyOf(timer));
      chime();
      const message = timer.clock ? t("too-late-begin-that-part-anew") : t("time-is-up");
      if (prefs.aloud) say(`${timer.label}: ${message}`);
      toast(`${timer.label}: ${message}`, { id: keyOf(timer), duration: 20_000 });
    }
  }, [loaded, running, now, prefs.aloud]);
  if (!any || now === null) return null;
  return (
    <section
      aria-label={t("holds-and-cures")}
      className="fixed inset-x-0 bottom-14 z-10 flex h-11 gap-1 overflow-x-auto border-line border-t bg-note px-1 sm:static sm:mt-2 sm:h-auto sm:max-h-[40dvh] sm:flex-col sm:overflow-y-auto sm:border-t-0 sm:bg-transparent"
    >
      {timers.slice(0, SHOWN).map((timer) => (
        <TimerLink key={keyOf(timer)} timer={timer} now={now} />
      ))}
      {late.length > 0 && (
        <Link
          href="/bench"
          className="flex min-h-11 shrink-0 items-center rounded-md px-2 font-bold text-out text-sm leading-tight sm:min-h-12 sm:px-1.5"
        >
          {t("too-late", { length: late.length })}
        </Link>
      )}
      {timers.length > SHOWN && <More timers={timers.slice(SHOWN)} now={now} />}
    </section>
  );
}

/** One hold or cure: what is left of it, or that it is over, and the way to its end. */
function TimerLink({ timer, now, wide = false }: { timer: BenchTimer; now: number; wide?: boolean }) {
  const left = secondsLeft(timer, now);
  return (
    <Link
      href={hrefOf(timer)}
      title={timer.label}
      className={`flex min-h-11 shrink-0 items-center gap-2 rounded-md px-2 text-sm leading-tight sm:min-h-12 sm:w-full sm:flex-col sm:items-start sm:gap-0 sm:px-1.5 ${left > 0 ? "" : timer.clock ? "border-2 border-out font-bold text-out" : "bg-now font-bold text-on-now"}`}
    >
      <span className="figures font-bold">
        {left > 0 ? clockText(left) : timer.clock ? t("too-late-2") : t("ready")}
      </span>
      <span className={wide ? "truncate" : "max-w-32 truncate sm:w-full sm:max-w-full sm:text-xs"}>
        {wide ? timer.label : shortOf(timer.label)}
      </span>
    </Link>
  );
}

/** The rest, by their whole names, in the order in which they are ready. */
function More({ timers, now }: { timers: readonly BenchTimer[]; now: number }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-11 shrink-0 rounded-md border border-line px-2 text-sm sm:min-h-12">
        {t("more", { length: timers.length })}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="end"
          aria-label={t("all-other-holds-and-cures")}
          className="z-20 grid max-h-(--radix-popover-content-available-height) w-[min(24rem,calc(100vw-1rem))] gap-1 overflow-y-auto rounded-lg border border-line bg-raised p-2 shadow-xl"
        >
          {timers.map((timer) => (
            <TimerLink key={keyOf(timer)} timer={timer} now={now} wide />
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const endsAt = ({ startedAt, seconds }: BenchTimer): number => Date.parse(startedAt) + seconds * 1000;

/** So many fit beside the places; the rest are a touch away. */
const SHOWN = 4;

/** The last and most telling part of an end's name. */
const shortOf = (label: string): string => label.split(" · ").at(-1) ?? label;
