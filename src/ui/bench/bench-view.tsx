"use client";

import Link from "next/link";
import { useCallback, useMemo, useState } from "react";
import { toast } from "sonner";
import {
  type Caution,
  type Check,
  type Conformance,
  type Instrument,
  judgementOf,
  missingParts,
  type Reading,
  type Recorded,
  type Rule,
  type RunSheet,
  resultOf,
  standings,
} from "@/core";
import { Band, type BandReading } from "../band/band";
import { Figure } from "../figure/figure";
import { usePrefs } from "../prefs/prefs-context";
import { biteWords, stepNotes } from "../words/line-words";
import { Cautions } from "./cautions";
import { EndLabel } from "./end-label";
import { JudgementPanel } from "./judgement-panel";
import { MeasurePanel } from "./measure-panel";
import { SignPanel } from "./sign-panel";
import { SignedPanel } from "./signed-panel";
import { StepList, StepProgress } from "./step-list";
import { ThreadGate } from "./thread-gate";
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
  const [typed, setTyped] = useState<{ check: Check; value: number; judged: Conformance } | null>(null);
  const line = sheet.lines[Math.min(state.at, sheet.lines.length - 1)] as RunSheet["lines"][number];
  const all = useMemo(() => standings(sheet, state, rule), [sheet, state, rule]);
  const here = all.filter(({ check }) => check.step === line.step.id);
  const missing = missingParts(sheet, state);
  const instrument = instruments.find((one) => one.id === prefs.instrument) ?? (instruments[0] as Instrument);
  const judgement = judgementOf(line.step);
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
  const next = () => (last ? setSigning(missing.length === 0) : go(line.index + 1));
  const back = () => (signing ? setSigning(false) : line.index > 0 && go(line.index - 1));
  const strike = (reading: string) => {
    const kept = state.readings.find((one) => one.id === reading);
    if (!kept) return;
    add({ kind: "strike", reading });
    const { id: _id, at: _at, ...again } = kept;
    toast(`Struck out ${kept.typed}.`, {
      action: { label: "Put back", onClick: () => add(again satisfies Reading) },
    });
  };
  useBenchKeys({
    enabled: state.signed === null,
    next,
    back,
    units: nextUnits,
    undo: () => state.readings.at(-1) && strike(state.readings.at(-1)?.id as string),
  });

  const readings = bandReadings(here, typed);
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
        line={signing || state.signed ? sheet.lines.length : line.index}
        now={signing ? null : (line.figure?.feature ?? null)}
        readings={readings}
        compact
      />
      {state.signed ? (
        <SignedPanel id={id} sheet={sheet} state={state} result={resultOf(sheet, state, rule)} />
      ) : signing ? (
        <SignPanel
          standings={all}
          result={resultOf(sheet, state, rule)}
          units={prefs.units}
          name={prefs.name}
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
            <section aria-labelledby="step" className="flex min-h-0 min-w-0 flex-1 flex-col lg:flex-row">
              <div className="min-h-0 min-w-0 flex-1 overflow-y-auto px-4 py-3 lg:px-8">
                <h2 id="step" className="font-bold text-2xl">
                  {line.step.title}
                </h2>
                {line.step.kind === "thread" ? (
                  <ThreadGate
                    parts={line.parts}
                    threaded={state.threaded}
                    onThread={(part, on) => add({ kind: "thread", part, on })}
                  />
                ) : (
                  <Figure sheet={sheet} line={line} units={prefs.units} />
                )}
                <Doing line={line} units={prefs.units} />
                <Cautions
                  cautions={line.step.cautions.flatMap(
                    (one) => cautions.find((caution) => caution.id === one) ?? [],
                  )}
                />
              </div>
              <div className="flex shrink-0 flex-col gap-3 border-line border-t px-4 py-3 lg:w-[340px] lg:border-t-0 lg:border-l lg:py-4">
                <div className="min-h-0 flex-1 lg:overflow-y-auto">
                  {here.length > 0 && (
                    <MeasurePanel
                      key={line.step.id}
                      standings={here}
                      rule={rule}
                      units={prefs.units}
                      instruments={instruments}
                      instrument={instrument}
                      onInstrument={(one) => change({ instrument: one })}
                      onReading={add}
                      onStrike={strike}
                      onTyped={setTyped}
                      saved={saved}
                    />
                  )}
                  {judgement && (
                    <JudgementPanel
                      judgement={judgement}
                      answer={state.answers[judgement.id]}
                      onAnswer={(answer) => add({ kind: "answer", judgement: judgement.id, answer })}
                      onGo={(step) => go(sheet.lines.findIndex((one) => one.step.id === step))}
                      titleOf={(step) => sheet.lines.find((one) => one.step.id === step)?.step.title ?? step}
                    />
                  )}
                  {here.length === 0 && !judgement && <ComingNext sheet={sheet} index={line.index} />}
                </div>
                <div className="flex gap-2">
                  <button
                    type="button"
                    onClick={back}
                    disabled={line.index === 0}
                    className="min-h-16 rounded-lg border-2 border-ink px-5 font-semibold disabled:opacity-40"
                    aria-keyshortcuts="ArrowLeft PageUp"
                  >
                    Back
                  </button>
                  <button
                    type="button"
                    onClick={next}
                    aria-keyshortcuts="Space ArrowRight PageDown"
                    className="min-h-16 flex-1 rounded-lg bg-strong px-5 font-bold text-on-strong text-xl"
                  >
                    {last ? "Finish" : "Next"}{" "}
                    <span className="font-normal text-base opacity-80">· Space</span>
                  </button>
                </div>
              </div>
            </section>
          </div>
        </>
      )}
    </main>
  );
}

function bandReadings(
  here: ReturnType<typeof standings>,
  typed: { check: Check; value: number; judged: Conformance } | null,
): BandReading[] {
  if (typed) return [{ from: typed.check.from, value: typed.value, verdict: typed.judged.verdict }];
  return here.flatMap(({ check, judged }) =>
    judged ? [{ from: check.from, value: judged.mean, verdict: judged.verdict }] : [],
  );
}

function Doing({ line, units }: { line: RunSheet["lines"][number]; units: Parameters<typeof biteWords>[1] }) {
  const bites = biteWords(line, units);
  return (
    <div className="mt-3 max-w-prose">
      {bites && <p className="font-bold text-2xl">{bites}</p>}
      {line.step.how && <p className="text-lg">{line.step.how}</p>}
      {stepNotes(line).length > 0 && <p className="text-lg text-soft">{stepNotes(line).join(" · ")}</p>}
    </div>
  );
}

function ComingNext({ sheet, index }: { sheet: RunSheet; index: number }) {
  const coming = sheet.lines[index + 1];
  return (
    <p className="hidden text-soft lg:block">
      {coming ? (
        <>
          Then: <strong className="text-ink">{coming.step.title}</strong>
        </>
      ) : (
        "Then: sign it off."
      )}
    </p>
  );
}

function SaveState({ waiting, offline }: { waiting: number; offline: boolean }) {
  return (
    <span
      role="status"
      className={`ml-auto shrink-0 px-2 text-sm ${offline ? "font-bold text-out" : "text-soft"}`}
    >
      {offline
        ? `Server away. ${waiting ? `${waiting} kept on this device.` : "Nothing is lost."}`
        : waiting
          ? "Saving…"
          : "All saved"}
      <Link href="/bench" className="ml-4 inline-flex min-h-12 items-center underline">
        All ends
      </Link>
    </span>
  );
}
