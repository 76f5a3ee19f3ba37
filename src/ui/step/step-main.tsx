"use client";
import { featureOf, partsNeededAt, type RunSheet, readsLight, type Seat } from "@/core";
import { AdvicePanel, InHandStrip } from "../advice/advice-panel";
import { SeatNote } from "../advice/seat-words";
import { StepPictures } from "../aids/step-aids";
import { AimNote } from "../aim/aim-note";
import { BigFigure, LengthFigure } from "../figure/figure";
import { LightPanel } from "../light/light-panel";
import { toleranceOf } from "../words/length-text";
import { Doing } from "./doing";
import { MishapRow } from "./mishap-row";
import { ForgottenPart, OutOfOrder } from "./parts-on";
import { StepCautions } from "./step-cautions";
import { StepLengths } from "./step-lengths";
import type { StepProps } from "./step-props";
import { ThreadGate } from "./thread-gate";
import type { StepView } from "./use-step-view";

interface ColumnProps {
  readonly step: StepProps;
  readonly view: StepView;
}

/** The step in words and figures: what to do, to which length, and what is advised. */
export function StepMain({ step: props, view }: ColumnProps) {
  const { sheet, work, units } = props;
  const { line, state } = work;
  const { reading, advices, misseated, cautionsUnder } = view;
  return (
    <>
      <StepHead step={props} view={view} />
      {advices.length > 0 && (
        <div className="mt-2 gap-5 lg:grid lg:grid-cols-[minmax(0,1fr)_280px]">
          <div className="grid content-start gap-3">
            <Advised step={props} view={view} />
          </div>
          <div className="hidden lg:block">
            <StepLengths step={props} view={view} />
          </div>
        </div>
      )}
      {misseated && <Misseated step={props} seat={misseated} />}
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
      {readsLight(line.step) && <OpticalTest {...props} />}
      {advices.length === 0 && (
        <div className="hidden lg:block">
          <StepLengths step={props} view={view} />
        </div>
      )}
      {cautionsUnder && advices.length === 0 && <StepCautions {...props} />}
    </>
  );
}

/** Light read through the end, at a step that asks for it. */
const OpticalTest = ({ sheet, work, rule, purpose }: StepProps) => (
  <LightPanel
    {...{ rule, purpose }}
    state={work.state}
    family={sheet.procedure.family}
    onAdd={work.add}
    onStrike={work.strike}
  />
);

/** Its title, its figure or its parts, and what stands before it. */
function StepHead({ step: props, view: { missing, aim } }: ColumnProps) {
  const { sheet, work, units } = props;
  const { line, state, add } = work;
  return (
    <>
      <div className="flex items-center gap-4">
        <h2 id="step" tabIndex={-1} className="min-w-0 flex-1 scroll-mt-1 font-bold text-2xl outline-none">
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
    </>
  );
}

const Advised = ({ step: { sheet, work, units, way, onWay }, view: { advices, settled } }: ColumnProps) =>
  advices.map((endAdvice, i) => (
    <AdvicePanel
      key={endAdvice.leg}
      sheet={sheet}
      advice={endAdvice}
      units={units}
      way={way}
      onWay={onWay}
      onTake={(plan) => work.take(endAdvice, plan)}
      onStartOver={() => work.setSigning(true)}
      first={i === 0 && settled}
    />
  ));

/** A fibre that is not seated as its readings say: seat it again, or cleave afresh. */
function Misseated({ step: { sheet, work, units }, seat }: { step: StepProps; seat: Seat }) {
  const { line, state, add } = work;
  return (
    <SeatNote
      seat={seat}
      units={units}
      onSeat={() => {
        // What was read before it is seated again says nothing of how it sits then.
        for (const { id, check } of state.readings)
          if (check === seat.check) add({ kind: "strike", reading: id });
        work.go(seatedAt(sheet, line.index));
      }}
      onCleave={() =>
        add({
          kind: "fault",
          leg: seat.leg,
          feature: fibreEndOf(sheet),
          what: "bad-cleave",
          at: null,
          on: true,
        })
      }
    />
  );
}

/** The last line before this one that pushes the fibre in. */
const seatedAt = (sheet: RunSheet, before: number): number =>
  sheet.lines.filter(({ index, step }) => index < before && step.kind === "insert").at(-1)?.index ?? before;

const fibreEndOf = (sheet: RunSheet): string =>
  sheet.features.filter(({ kind }) => kind === "end").at(-1)?.id ?? "";
