"use client";

import { isMidRun, nextLine } from "@/core";
import { t } from "@/messages/bench";
import { StepTools } from "../aids/step-aids";
import { SimulatedFaultLight } from "../light/simulated-fault-light";
import { JudgementPanel } from "../reading/judgement-panel";
import { ReadingPanel } from "../reading/reading-panel";
import type { BenchWork } from "../work/use-work";
import { MishapRow } from "./mishap-row";
import { StepCautions } from "./step-cautions";
import { StepLengths } from "./step-lengths";
import type { StepProps } from "./step-props";
import { TakenElsewhere } from "./taken-elsewhere";
import type { StepView } from "./use-step-view";

interface ColumnProps {
  readonly step: StepProps;
  readonly view: StepView;
}

/** What is entered at the step: readings, answers, counts, and what comes next. */
export function StepEntry({ step: props, view }: ColumnProps) {
  const { sheet, work, rule, units, blades } = props;
  const { line, state, add } = work;
  const { reading, last, elsewhere, standings, judgement, advices, aside, missing, cautionsUnder } = view;
  const { agree, keep, takeBack, takeFirst } = view;
  return (
    <>
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
      <div className="lg:hidden">
        <StepLengths step={props} view={view} />
      </div>
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
      {props.purpose === "practice" && line.step.aids.includes("light") && (
        <SimulatedFaultLight isSeated={isSeated(props)} />
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
          {!cautionsUnder && <StepCautions {...props} />}
          <p className={`mt-3 hidden text-soft ${line.step.seconds ? "" : "lg:block"}`}>
            {t("then")} <strong className="text-ink">{thenLine(work)?.step.title ?? t("sign-it-off")}</strong>
          </p>
        </>
      )}
    </>
  );
}

/** True if the fibre was pushed in before the step in hand. */
const isSeated = ({ sheet, work }: StepProps): boolean => {
  const seat = sheet.lines.findIndex(({ step }) => step.kind === "insert");
  return seat >= 0 && work.line.index > seat;
};

/** The line that comes after the one in hand; undefined after the last. */
const thenLine = ({ trim, state, drawn }: BenchWork) =>
  drawn.lines[trim ? (state.inHand?.steps[0] ?? state.at) : nextLine(state)];
