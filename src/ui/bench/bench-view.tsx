"use client";

import Link from "next/link";
import { useCallback, useMemo, useState } from "react";
import { toast } from "sonner";
import {
  type Caution,
  type CheckStanding,
  type Instrument,
  type Line,
  missingParts,
  type Recorded,
  type Rule,
  type RunSheet,
  resultOf,
  standings,
} from "@/core";
import { Band, type BandReading } from "../band/band";
import { usePrefs } from "../prefs/prefs-context";
import { EndLabel } from "./end-label";
import type { Typed } from "./reading-panel";
import { SignPanel } from "./sign-panel";
import { SignedPanel } from "./signed-panel";
import { StepList, StepProgress } from "./step-list";
import { StepWork } from "./step-work";
import { useBenchKeys } from "./use-bench-keys";
import { useEnd } from "./use-end";

interface BenchViewProps {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly initial: readonly Recorded[];
  readonly instruments: readonly Instrument[];
  readonly cautions: readonly Caution[];
}

/** One end, one step at a time: the band with now lit, the figure huge, the next action large. */
export function BenchView({ id, sheet, rule, initial, instruments, cautions }: BenchViewProps) {
  const { prefs, change, nextUnits } = usePrefs();
  const { state, add, waiting, offline, saved } = useEnd(id, initial);
  const [signing, setSigning] = useState(false);
  const [typed, setTyped] = useState<Typed | null>(null);
  const [read, setRead] = useState<string | null>(null);
  const line = sheet.lines[Math.min(state.at, sheet.lines.length - 1)] as Line;
  const all = useMemo(() => standings(sheet, state, rule), [sheet, state, rule]);
  const here = useMemo(() => all.filter(({ check }) => check.step === line.step.id), [all, line]);
  const result = resultOf(sheet, state, rule);
  const missing = missingParts(sheet, state);
  const last = line.index === sheet.lines.length - 1;

  const go = useCallback(
    (to: number) => {
      const gate = sheet.lines.findIndex(({ step }) => step.kind === "thread");
      if (to > gate && gate >= 0 && missing.length > 0) {
        toast(`Thread on first: ${missing.join(", ")}. It cannot be added later.`);
        return;
      }
      setSigning(false);
      setTyped(null);
      if (to !== state.at) add({ kind: "step", to });
    },
    [add, missing, sheet.lines, state.at],
  );
  const next = () => {
    if (signing) return;
    if (last && missing.length === 0) setSigning(true);
    else go(last ? line.index : line.index + 1);
  };
  const back = () => {
    if (signing) setSigning(false);
    else if (line.index > 0) go(line.index - 1);
  };
  const strike = (reading: string) => {
    const kept = state.readings.find((one) => one.id === reading);
    if (!kept) return;
    const { id: _id, at: _at, ...again } = kept;
    add({ kind: "strike", reading });
    toast(`Struck out ${kept.typed}.`, { action: { label: "Put back", onClick: () => add(again) } });
  };
  const undo = () => {
    const latest = state.readings.at(-1);
    if (latest) strike(latest.id);
  };
  useBenchKeys({ enabled: state.signed === null, next, back, units: nextUnits, undo });

  const done = signing || state.signed !== null;
  const active =
    here.find(({ check }) => check.id === (typed?.check.id ?? read)) ??
    here.find(({ judged }) => judged === null) ??
    here[0];
  return (
    <main className="flex h-[calc(100dvh-3.5rem)] min-w-0 flex-1 flex-col overflow-hidden sm:h-dvh">
      <header className="flex min-h-13 items-center gap-2 px-3">
        <h1 className="sr-only">
          Bench: {sheet.procedure.name} on {sheet.cable.name}
        </h1>
        {state.signed ? (
          <span className="truncate px-2 font-bold text-lg">
            {[state.job, state.label].filter(Boolean).join(" · ") || "End"}
          </span>
        ) : (
          <EndLabel
            job={state.job}
            label={state.label}
            onLabel={(job, label) => add({ kind: "label", job, label })}
          />
        )}
        <span className="hidden truncate text-soft md:inline">
          {sheet.procedure.name} · {sheet.cable.name}
        </span>
        <SaveState waiting={waiting} offline={offline} />
      </header>
      <Band
        sheet={sheet}
        line={done ? sheet.lines.length : line.index}
        lit={done ? [] : litBy(line, active)}
        readings={done ? [] : bandReadings(active, typed)}
        compact
      />
      {state.signed ? (
        <SignedPanel id={id} sheet={sheet} state={state} result={result} stored={waiting === 0} />
      ) : signing ? (
        <SignPanel
          standings={all}
          result={result}
          units={prefs.units}
          name={prefs.name}
          onBack={back}
          onSign={(name, outcome) => {
            change({ name });
            add({ kind: "sign", name, outcome });
          }}
        />
      ) : (
        <>
          <StepProgress lines={sheet.lines} at={line.index} />
          <div className="flex min-h-0 flex-1">
            <StepList lines={sheet.lines} at={line.index} onGo={go} />
            <StepWork
              key={line.step.id}
              sheet={sheet}
              line={line}
              state={state}
              standings={here}
              rule={rule}
              units={prefs.units}
              cautions={cautions}
              saved={saved}
              instruments={instruments}
              instrument={
                instruments.find((one) => one.id === prefs.instrument) ?? (instruments[0] as Instrument)
              }
              onInstrument={(instrument) => change({ instrument })}
              onAdd={add}
              onStrike={strike}
              onTyped={setTyped}
              onRead={setRead}
              onGo={go}
              onNext={next}
              onBack={back}
            />
          </div>
        </>
      )}
    </main>
  );
}

/** What the band lights: the place being made, or the two a length lies between. */
function litBy(line: Line, active: CheckStanding | undefined): string[] {
  if (active) return [active.check.from, active.check.to];
  return line.figure ? [line.figure.feature] : [];
}

function bandReadings(active: CheckStanding | undefined, typed: Typed | null): BandReading[] {
  if (typed) return [{ from: typed.check.from, value: typed.value, verdict: typed.judged.verdict }];
  return active?.judged
    ? [{ from: active.check.from, value: active.judged.mean, verdict: active.judged.verdict }]
    : [];
}

function SaveState({ waiting, offline }: { waiting: number; offline: boolean }) {
  const said = offline
    ? `Server away. ${waiting ? `${waiting} kept on this device.` : "Nothing is lost."}`
    : waiting
      ? "Saving…"
      : "All saved";
  return (
    <>
      <span
        role="status"
        className={`ml-auto shrink-0 px-2 text-sm ${offline ? "font-bold text-out" : "text-soft"}`}
      >
        {said}
      </span>
      <Link href="/bench" className="inline-flex min-h-12 shrink-0 items-center px-2 text-sm underline">
        All ends
      </Link>
    </>
  );
}
