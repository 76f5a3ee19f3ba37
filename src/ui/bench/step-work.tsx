"use client";

import { useState } from "react";
import {
  type Caution,
  type CheckStanding,
  type Conformance,
  type EndState,
  type Entry,
  featureOf,
  type Instrument,
  judgementOf,
  type Line,
  type Reading,
  type Rule,
  type RunSheet,
} from "@/core";
import { Figure, LengthFigure } from "../figure/figure";
import type { Units } from "../words/length-text";
import { biteWords, stepNotes } from "../words/line-words";
import { Cautions } from "./cautions";
import { CheckList } from "./check-list";
import { InstrumentPicker } from "./instrument-picker";
import { JudgementPanel } from "./judgement-panel";
import { ReadingPanel, type Typed } from "./reading-panel";
import { ThreadGate } from "./thread-gate";

interface StepWorkProps {
  readonly sheet: RunSheet;
  readonly line: Line;
  readonly state: EndState;
  readonly standings: readonly CheckStanding[];
  readonly rule: Rule;
  readonly units: Units;
  readonly instruments: readonly Instrument[];
  readonly instrument: Instrument;
  readonly cautions: readonly Caution[];
  readonly onInstrument: (id: string) => void;
  readonly onAdd: (entry: Entry) => void;
  readonly onStrike: (id: string) => void;
  readonly onTyped: (typed: Typed | null) => void;
  readonly onRead: (check: string) => void;
  readonly onGo: (to: number) => void;
  readonly onNext: () => void;
  readonly onBack: () => void;
  readonly saved: (id: string) => boolean;
}

/** The step being done: its figure or its lengths in the middle, what is to be entered and the next action beside it. */
export function StepWork(props: StepWorkProps) {
  const { sheet, line, state, standings, units, cautions, onAdd, onRead, onGo, onNext, onBack } = props;
  const [picked, setPicked] = useState<string | null>(null);
  const reading =
    standings.find(({ check }) => check.id === picked) ??
    standings.find(({ judged }) => judged === null) ??
    standings[0];
  const judgement = judgementOf(line.step);
  const last = line.index === sheet.lines.length - 1;
  const pick = (check: string) => {
    setPicked(check);
    onRead(check);
  };
  const keep = (entry: Reading, { verdict }: Conformance) => {
    onAdd(entry);
    const next = standings.find(({ judged, check }) => judged === null && check.id !== entry.check);
    pick(verdict === "in" && next ? next.check.id : entry.check);
  };
  const aside = !reading && !judgement;
  const said = (
    <Cautions cautions={line.step.cautions.flatMap((one) => cautions.find(({ id }) => id === one) ?? [])} />
  );
  const lengths = reading && (
    <>
      {standings.length > 1 && (
        <CheckList standings={standings} active={reading.check.id} units={units} onPick={pick} />
      )}
      <div className="mt-3 max-w-md">
        <InstrumentPicker
          instruments={props.instruments}
          instrument={props.instrument}
          onPick={props.onInstrument}
        />
      </div>
    </>
  );
  return (
    <section
      aria-labelledby="step"
      className="flex min-h-0 min-w-0 flex-1 flex-col lg:grid lg:grid-cols-[minmax(0,1fr)_350px] lg:grid-rows-[minmax(0,1fr)_auto]"
    >
      <div className="min-h-0 flex-1 overflow-y-auto lg:contents">
        <div className="min-w-0 px-4 py-3 lg:row-span-2 lg:min-h-0 lg:overflow-y-auto lg:px-8">
          <h2 id="step" className="font-bold text-2xl">
            {line.step.title}
          </h2>
          {line.step.kind === "thread" ? (
            <ThreadGate
              parts={line.parts}
              threaded={state.threaded}
              onThread={(part, on) => onAdd({ kind: "thread", part, on })}
            />
          ) : (
            <Figure sheet={sheet} line={line} units={units} />
          )}
          {reading && (
            <LengthFigure
              nominal={reading.check.nominal}
              from={featureOf(sheet, reading.check.from).name}
              to={featureOf(sheet, reading.check.to).name}
              representative={sheet.procedure.representative}
              units={units}
            />
          )}
          <Doing line={line} units={units} hideOnPhone={reading !== undefined} />
          <div className="hidden lg:block">{lengths}</div>
          {!aside && said}
        </div>
        <div className="px-4 py-2 lg:min-h-0 lg:overflow-y-auto lg:border-line lg:border-l lg:py-4">
          {reading && <ReadingPanel key={reading.check.id} {...props} standing={reading} onKeep={keep} />}
          <div className="lg:hidden">{lengths}</div>
          {judgement && (
            <JudgementPanel
              judgement={judgement}
              answer={state.answers[judgement.id]}
              onAnswer={(answer) => onAdd({ kind: "answer", judgement: judgement.id, answer })}
              onGo={(step) => onGo(sheet.lines.findIndex((one) => one.step.id === step))}
              titleOf={(step) => sheet.lines.find((one) => one.step.id === step)?.step.title ?? step}
            />
          )}
          {aside && (
            <>
              {said}
              <p className="mt-3 hidden text-soft lg:block">
                Then:{" "}
                <strong className="text-ink">
                  {sheet.lines[line.index + 1]?.step.title ?? "sign it off"}
                </strong>
              </p>
            </>
          )}
        </div>
      </div>
      <div className="flex gap-2 border-line border-t px-4 py-3 lg:border-t-0 lg:border-l lg:pb-4">
        <button
          type="button"
          onClick={onBack}
          disabled={line.index === 0}
          className="min-h-16 rounded-lg border-2 border-ink px-5 font-semibold disabled:opacity-40"
          aria-keyshortcuts="ArrowLeft PageUp"
        >
          Back
        </button>
        <button
          type="button"
          onClick={onNext}
          aria-keyshortcuts="Space ArrowRight PageDown"
          className="min-h-16 flex-1 rounded-lg bg-strong px-5 font-bold text-on-strong text-xl"
        >
          {last ? "Finish" : "Next"} <span className="hidden font-normal text-base lg:inline">· Space</span>
        </button>
      </div>
    </section>
  );
}

function Doing({ line, units, hideOnPhone }: { line: Line; units: Units; hideOnPhone: boolean }) {
  const bites = biteWords(line, units);
  const notes = stepNotes(line, units);
  return (
    <div className={`mt-3 max-w-prose ${hideOnPhone ? "hidden sm:block" : ""}`}>
      {bites && <p className="font-bold text-2xl">{bites}</p>}
      {line.step.how && <p className="text-lg">{line.step.how}</p>}
      {notes.length > 0 && <p className="text-lg text-soft">{notes.join(" · ")}</p>}
    </div>
  );
}
