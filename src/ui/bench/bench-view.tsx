"use client";

import { useEffect, useState } from "react";
import { v4 as uuid } from "uuid";
import type {
  BladeLine,
  Caution,
  CheckStanding,
  EndState,
  Entry,
  Instrument,
  Line,
  Recorded,
  Rule,
  RunSheet,
} from "@/core";
import { Band, type BandReading } from "../band/band";
import { usePrefs } from "../prefs/prefs-context";
import type { Typed } from "../reading/reading-panel";
import { hush, say, stepAloud } from "../words/aloud";
import { get, post } from "../words/api";
import { BenchHead } from "./bench-head";
import { SignPanel } from "./sign-panel";
import { SignedPanel } from "./signed-panel";
import { StepList, StepProgress } from "./step-list";
import { StepWork } from "./step-work";
import { useBenchKeys } from "./use-bench-keys";
import { activeOf, type BenchWork, useWork } from "./use-work";

interface BenchViewProps {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly initial: readonly Recorded[];
  readonly instruments: readonly Instrument[];
  readonly cautions: readonly Caution[];
  readonly blades: readonly BladeLine[];
  /** Within a batch: its other ends, shown in place of the list of steps, and what to do when a step is done. */
  readonly batch?: {
    readonly aside: (work: BenchWork) => React.ReactNode;
    readonly onPlan: () => void;
    readonly onDone: (entries: readonly Entry[], before: EndState) => void;
    readonly onState: (end: string, state: EndState) => void;
    readonly onSigned: () => void;
  };
}

/** One end, one step at a time: the band with now lit, the figure huge, the next action large. */
export function BenchView({
  id,
  sheet,
  rule,
  initial,
  instruments,
  cautions,
  blades: shipped,
  batch,
}: BenchViewProps) {
  const { prefs, change, nextUnits } = usePrefs();
  const work = useWork({ id, sheet, rule, initial, onDone: batch?.onDone });
  const { state, add, line, here, all, signing, typed } = work;
  const [read, setRead] = useState<string | null>(null);
  const [blades, setBlades] = useState(shipped);
  const aloud = () => say(stepAloud(sheet, line, prefs.units));
  useBenchKeys({
    enabled: state.signed === null,
    next: work.next,
    back: work.back,
    units: nextUnits,
    undo: work.undo,
    aloud,
  });

  const step = line.step.id;
  const speaks = prefs.aloud && !signing && state.signed === null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step is spoken once, as it comes up
  useEffect(() => {
    if (speaks) aloud();
    return hush;
  }, [step, speaks]);
  const cleaves = line.step.kind === "cleave";
  useEffect(() => {
    if (cleaves) get<BladeLine[]>("/api/v1/tools").then((answer) => answer.ok && setBlades(answer.value));
  }, [cleaves]);
  const onState = batch?.onState;
  useEffect(() => onState?.(id, state), [onState, id, state]);
  const seeTo = async (tool: string, action: "wipe" | "turn" | "new") => {
    const answer = await post<BladeLine>(`/api/v1/tools/${tool}`, { id: uuid(), action });
    if (answer.ok) setBlades((before) => before.map((one) => (one.tool === tool ? answer.value : one)));
  };

  const done = signing || state.signed !== null;
  const active = activeOf(here, typed?.check.id ?? read ?? undefined);
  return (
    <main className="flex h-[calc(100dvh-3.5rem-var(--tray,0px))] min-w-0 flex-1 flex-col overflow-hidden sm:h-dvh">
      <BenchHead sheet={sheet} work={work} onPlan={batch?.onPlan ?? null} onAloud={aloud} />
      <Band
        sheet={sheet}
        line={done ? sheet.lines.length : line.index}
        lit={done ? [] : litBy(line, active)}
        readings={done ? [] : bandReadings(active, typed)}
        compact
      />
      {state.signed ? (
        <SignedPanel
          id={id}
          sheet={sheet}
          state={state}
          result={work.result}
          stored={work.waiting === 0}
          onNextInBatch={batch?.onSigned}
        />
      ) : signing ? (
        <SignPanel
          standings={all}
          result={work.result}
          units={prefs.units}
          name={prefs.name}
          state={state}
          onAdd={add}
          onBack={work.back}
          onSign={(name, outcome, missingShards) => {
            change({ name });
            add({ kind: "sign", name, outcome, ...(missingShards ? { missingShards } : {}) });
          }}
        />
      ) : (
        <>
          <StepProgress lines={sheet.lines} at={line.index} />
          <div className={`flex min-h-0 flex-1 ${batch ? "flex-col lg:flex-row" : ""}`}>
            {batch ? batch.aside(work) : <StepList lines={sheet.lines} at={line.index} onGo={work.go} />}
            <StepWork
              key={`${line.step.id}/${JSON.stringify(state.redone)}`}
              sheet={sheet}
              work={work}
              rule={rule}
              units={prefs.units}
              cautions={cautions}
              blades={blades}
              instruments={instruments}
              instrument={
                instruments.find((one) => one.id === prefs.instrument) ?? (instruments[0] as Instrument)
              }
              onInstrument={(instrument) => change({ instrument })}
              onRead={setRead}
              onSeeTo={seeTo}
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
