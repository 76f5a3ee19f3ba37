"use client";

import { Usb } from "lucide-react";
import {
  type BladeLine,
  type Caution,
  type EndState,
  featureOf,
  type Instrument,
  inOrderOfDoing,
  isMidRun,
  judgementOf,
  type LengthAim,
  nextLine,
  partsNeededAt,
  type Rule,
  type RunSheet,
  seatOf,
  type WhereTold,
} from "@/core";
import { t } from "@/messages/bench";
import { AdvicePanel, type BandView, InHandStrip } from "../advice/advice-panel";
import { Faults } from "../advice/faults";
import { SeatNote } from "../advice/seat-words";
import { SpareCable } from "../advice/spare-cable";
import { StepPictures, StepTools } from "../aids/step-aids";
import { AimNote } from "../aim/aim-note";
import { Button } from "../controls/button";
import { BigFigure, LengthFigure } from "../figure/figure";
import { CheckList } from "../reading/check-list";
import { InstrumentPicker } from "../reading/instrument-picker";
import { JudgementPanel } from "../reading/judgement-panel";
import { ReadingPanel } from "../reading/reading-panel";
import { toleranceOf, type Units } from "../words/length-text";
import type { BenchWork } from "../work/use-work";
import { Cautions } from "./cautions";
import { Doing } from "./doing";
import { MishapRow } from "./mishap-row";
import { ForgottenPart, OutOfOrder } from "./parts-on";
import { StepFoot } from "./step-foot";
import { TakenElsewhere } from "./taken-elsewhere";
import { ThreadGate } from "./thread-gate";
import { UnsureWays } from "./unsure-ways";
import { useReadings } from "./use-readings";

interface StepWorkProps {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly rule: Rule;
  readonly units: Units;
  readonly instruments: readonly Instrument[];
  readonly instrument: Instrument;
  readonly cautions: readonly Caution[];
  readonly blades: readonly BladeLine[];
  readonly onInstrument: (id: string) => void;
  readonly onRead: (check: string) => void;
  /** Whether mishaps are told beside the title: no list of steps has room for them. */
  readonly mishapsHere: boolean;
  readonly way: BandView;
  readonly onWay: (way: BandView) => void;
  /** Every end it is made with: this one, or its whole batch. */
  readonly ends: readonly EndState[];
  readonly simulated: boolean;
  readonly onSimulated: (on: boolean) => void;
  readonly aims: readonly LengthAim[];
  /** Fibres that are parted where it is made. */
  readonly parted: WhereTold["parted"];
  readonly onSeeTo: (tool: string, action: "wipe" | "turn" | "new") => void;
}

/** The step being done: its figure or its lengths in the middle, what is to be entered and the next action beside it. */
export function StepWork(props: StepWorkProps) {
  const { sheet, work, rule, units, cautions, blades, onRead } = props;
  const { line, state, here: standings, add } = work;
  const judgement = judgementOf(line.step);
  const { reading, last, elsewhere, settled, pick, keep, agree, takeBack } = useReadings(work, onRead);
  const aside = !reading && !judgement;
  // Beside a timer there is no room for them.
  const cautionsUnder = !aside || line.step.seconds !== undefined;
  const missing = work.forgotten.length > 0 && line.step.kind !== "thread";
  // What was taken for another length does not count until it is seen to be right; nor is anything cut before a part is on.
  const advices =
    !elsewhere && !missing && (reading || judgement || state.faults.length > 0) ? work.advice : [];
  const seat = reading && seatOf(sheet, state, rule, reading.check.leg);
  const misseated = seat && seat.finding !== "seated" ? seat : null;
  const aim = props.aims.find(
    ({ makes, tool, set }) =>
      set !== null && line.figure?.feature === makes && "tool" in line.step && line.step.tool === tool,
  );
  const takeFirst = () => {
    if (elsewhere) return agree(elsewhere);
    if (missing) return;
    if (work.held) return work.letGo();
    const [first] = advices;
    // A calliper that sends Enter twice must not take what it has only just brought up.
    if (first && first.kind !== "read-again" && settled)
      work.take(first, props.way === "least" ? "least" : "recommended");
  };
  const cautionList = (
    <Cautions
      cautions={line.step.cautions.flatMap((caution) => cautions.find(({ id }) => id === caution) ?? [])}
    />
  );
  const lengths = reading && (
    <>
      {standings.length > 1 && (
        <CheckList
          standings={inOrderOfDoing(standings)}
          midRun={isMidRun(sheet)}
          active={reading.check.id}
          units={units}
          narrow={advices.length > 0}
          onPick={pick}
        />
      )}
      <div className="mt-2 flex flex-wrap items-start gap-1.5">
        <div className="min-w-44 flex-1">
          <InstrumentPicker
            instruments={props.instruments}
            instrument={props.instrument}
            onPick={props.onInstrument}
          />
        </div>
        <Faults sheet={sheet} state={state} units={units} onAdd={add} />
        <SpareCable state={state} units={units} onAdd={add} />
        <Button
          look="quiet"
          aria-pressed={props.simulated}
          aria-label={t("simulated-calliper")}
          onClick={() => props.onSimulated(!props.simulated)}
          className="gap-1.5 px-2.5 text-sm aria-pressed:border-ink"
        >
          <Usb aria-hidden="true" className="size-4" /> {t("simulate")}
        </Button>
      </div>
      <UnsureWays sheet={sheet} rule={rule} standing={reading} work={work} units={units} />
    </>
  );
  const advised = advices.map((endAdvice, i) => (
    <AdvicePanel
      key={endAdvice.leg}
      sheet={sheet}
      advice={endAdvice}
      units={units}
      way={props.way}
      onWay={props.onWay}
      onTake={(plan) => work.take(endAdvice, plan)}
      onStartOver={() => work.setSigning(true)}
      first={i === 0 && settled}
    />
  ));
  return (
    <section
      aria-labelledby="step"
      className="flex min-h-0 min-w-0 flex-1 flex-col lg:grid lg:grid-cols-[minmax(0,1fr)_350px] lg:grid-rows-[minmax(0,1fr)_auto]"
    >
      <div
        className={`short:overflow-visible min-h-0 flex-1 overflow-y-auto lg:contents ${reading ? "short:max-lg:grid short:max-lg:grid-cols-2" : ""}`}
      >
        <div className="min-w-0 px-4 py-3 lg:row-span-2 lg:min-h-0 lg:overflow-y-auto lg:px-8">
          <div className="flex items-center gap-4">
            <h2
              id="step"
              tabIndex={-1}
              className="min-w-0 flex-1 scroll-mt-1 font-bold text-2xl outline-none"
            >
              {line.step.title}
            </h2>
            {props.mishapsHere && <MishapRow sheet={sheet} work={work} className="-my-1 max-lg:hidden" />}
          </div>
          {missing && <ForgottenPart sheet={sheet} work={work} units={units} />}
          {line.step.kind === "thread" ? (
            <>
              <OutOfOrder work={work} />
              <ThreadGate
                parts={line.parts}
                threaded={state.threaded}
                onThread={(part, on) => add({ kind: "thread", part, on })}
              />
            </>
          ) : (
            <BigFigure sheet={work.drawn} line={line} units={units} />
          )}
          {state.inHand && <InHandStrip sheet={sheet} inHand={state.inHand} />}
          {aim && <AimNote aim={aim} units={units} />}
          {advices.length > 0 && (
            <div className="mt-2 gap-5 lg:grid lg:grid-cols-[minmax(0,1fr)_280px]">
              <div className="grid content-start gap-3">{advised}</div>
              <div className="hidden lg:block">{lengths}</div>
            </div>
          )}
          {misseated && (
            <SeatNote
              seat={misseated}
              units={units}
              onSeat={() => {
                // What was read before it is seated again says nothing of how it sits then.
                for (const { id, check } of state.readings)
                  if (check === misseated.check) add({ kind: "strike", reading: id });
                work.go(seatedAt(sheet, line.index));
              }}
              onCleave={() =>
                add({
                  kind: "fault",
                  leg: misseated.leg,
                  feature: fibreEndOf(sheet),
                  what: "bad-cleave",
                  at: null,
                  on: true,
                })
              }
            />
          )}
          {reading && advices.length === 0 && !misseated && (
            <LengthFigure
              nominal={reading.check.nominal}
              tolerance={toleranceOf(reading.check)}
              from={featureOf(sheet, reading.check.from).name}
              to={featureOf(sheet, reading.check.to).name}
              representative={reading.check.representative}
              units={units}
            />
          )}
          <div className={`flex flex-wrap items-start gap-x-6 ${advices.length > 0 ? "hidden" : ""}`}>
            <Doing
              line={line}
              units={units}
              hideOnPhone={reading !== undefined}
              parts={partsNeededAt(sheet, state, line.step.id)}
            />
            <StepPictures
              sheet={sheet}
              line={line}
              reading={work.typed?.value ?? reading?.judged?.mean ?? null}
              units={units}
            />
          </div>
          {advices.length === 0 && <div className="hidden lg:block">{lengths}</div>}
          {cautionsUnder && advices.length === 0 && cautionList}
        </div>
        <div
          className={`px-4 py-2 lg:block lg:min-h-0 lg:overflow-y-auto lg:border-line lg:border-l lg:py-4 ${advices.length > 0 && reading ? "gap-5 md:grid md:grid-cols-2" : ""}`}
        >
          {elsewhere && (
            <TakenElsewhere
              taken={elsewhere}
              midRun={isMidRun(sheet)}
              onRight={() => agree(elsewhere)}
              onBack={() => takeBack(elsewhere)}
            />
          )}
          {reading && (
            <ReadingPanel
              key={reading.check.id}
              draft={work.id}
              midRun={isMidRun(sheet)}
              standing={reading}
              others={standings.filter(
                ({ judged, check }) => (judged === null || check.id === last) && check !== reading.check,
              )}
              advised={advices.length > 0}
              onEmptyEnter={takeFirst}
              rule={rule}
              units={units}
              instrument={props.instrument}
              saved={work.saved}
              onKeep={keep}
              onStrike={work.strike}
              onTyped={work.setTyped}
            />
          )}
          <div className="lg:hidden">{lengths}</div>
          {judgement && (
            <JudgementPanel
              sheet={sheet}
              state={state}
              judgement={judgement}
              onAdd={add}
              onGiveUp={() => work.setSigning(true)}
              parted={props.parted}
              advised={missing || advices.some(({ seen }) => seen !== null)}
            />
          )}
          <StepTools
            sheet={sheet}
            line={line}
            state={state}
            blades={blades}
            count={work.count}
            onCount={work.setCount}
            onAdd={add}
            onSeeTo={props.onSeeTo}
          />
          <MishapRow sheet={sheet} work={work} className="mt-3 md:hidden" />
          {aside && (
            <>
              {!cautionsUnder && cautionList}
              <p className={`mt-3 hidden text-soft ${line.step.seconds ? "" : "lg:block"}`}>
                {t("then")}{" "}
                <strong className="text-ink">{thenLine(work)?.step.title ?? t("sign-it-off")}</strong>
              </p>
            </>
          )}
        </div>
      </div>
      <StepFoot sheet={sheet} work={work} ends={props.ends} />
    </section>
  );
}

/** The line that comes after the one in hand; undefined after the last. */
const thenLine = ({ trim, state, drawn }: BenchWork) =>
  drawn.lines[trim ? (state.inHand?.steps[0] ?? state.at) : nextLine(state)];

/** The last line before this one that pushes the fibre in. */
const seatedAt = (sheet: RunSheet, before: number): number =>
  sheet.lines.filter(({ index, step }) => index < before && step.kind === "insert").at(-1)?.index ?? before;

const fibreEndOf = (sheet: RunSheet): string =>
  sheet.features.filter(({ kind }) => kind === "end").at(-1)?.id ?? "";
