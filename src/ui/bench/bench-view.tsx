"use client";

import { useEffect, useMemo, useState } from "react";
import {
  type BladeLine,
  type Caution,
  type CheckStanding,
  type EndEvent,
  type EndState,
  type Instrument,
  instrumentsFor,
  judgementOf,
  type Line,
  mustHoldAt,
  type Purpose,
  plannedSheet,
  type Recorded,
  type Rule,
  type RunSheet,
  reworkedLegs,
  SIMULATED,
  skippedSteps,
  type WhereTold,
} from "@/core";
import { t } from "@/messages/bench";
import type { BandView } from "../advice/advice-panel";
import { Calliper } from "../aids/calliper";
import { useBlades } from "../aids/use-blades";
import { useAims } from "../aim/aim-note";
import { Band } from "../band/band";
import { Button } from "../controls/button";
import { MessageLine } from "../messages/message-line";
import { usePeople } from "../people/people-context";
import { usePrefs } from "../prefs/prefs-context";
import { MishapRow } from "../step/mishap-row";
import { StepWork } from "../step/step-work";
import { WhereStrip } from "../where/where-strip";
import { activeOf, type BenchWork, useWork } from "../work/use-work";
import { AskPractice } from "./ask-practice";
import { BenchHead } from "./bench-head";
import { bandReadings, stepsShown } from "./bench-shown";
import { SignPanel } from "./sign-panel";
import { SignedPanel } from "./signed-panel";
import { StepList, StepProgress } from "./step-list";
import { UndoButton } from "./undo-button";
import { useStepPage } from "./use-step-page";

const NONE_PARTED: WhereTold["parted"] = [];

interface BenchViewProps {
  readonly id: string;
  readonly sheet: RunSheet;
  readonly rule: Rule;
  readonly purpose: Purpose;
  readonly initial: readonly Recorded[];
  readonly instruments: readonly Instrument[];
  readonly cautions: readonly Caution[];
  readonly blades: readonly BladeLine[];
  /** The piece it is an end of, and what stands at the other; null for an end by itself. */
  readonly where: WhereTold | null;
  /** Within a batch: its other ends, shown in place of the list of steps, and what to do when a step is done. */
  readonly batch?: {
    readonly aside: (work: BenchWork) => React.ReactNode;
    readonly onPlan: () => void;
    /** The state of each of its ends, this one as it is now. */
    readonly ends: (own: EndState) => readonly EndState[];
    readonly onDone: (events: readonly EndEvent[], before: EndState) => void;
    /** Called for every new state of this end. */
    readonly onState: () => void;
    readonly onSigned: () => void;
  };
}

/** One end, one step at a time: the drawing, the figure of the step, and the next action. */
export function BenchView(props: BenchViewProps) {
  const { id, sheet, rule, purpose, cautions, where, batch } = props;
  const { prefs, change, nextUnits } = usePrefs();
  const { who } = usePeople();
  const work = useWork({ id, sheet, rule, initial: props.initial, onDone: batch?.onDone });
  const { state, add, signing } = work;
  const [read, setRead] = useState<string | null>(null);
  const [way, setWay] = useState<BandView>("recommended");
  const [askingPractice, setAskingPractice] = useState(false);
  const aims = useAims(who?.id ?? null, sheet.procedure.id);
  const aloud = useStepPage({ id, sheet, work, units: prefs.units, speaks: prefs.aloud, nextUnits });
  const onState = batch?.onState;
  // biome-ignore lint/correctness/useExhaustiveDependencies: called again for every new state
  useEffect(() => onState?.(), [onState, state]);

  const drawing = useDrawn({ sheet, work, read, way });
  const { done, active } = drawing;
  const measuring = signing ? work.all : work.here;
  const toRead = (signing ? measuring[0] : active)?.check;
  const tools = useInstrument(props.instruments, toRead, prefs.instrument);
  const onSimulated = (on: boolean) =>
    on && purpose === "work" ? setAskingPractice(true) : tools.setSimulated(on);
  return (
    <main className="short:scroll-pb-20 short:overflow-y-auto flex h-[calc(100dvh-3.5rem-var(--tray,0px))] min-w-0 flex-none flex-col overflow-hidden sm:h-dvh">
      <SpokenPlace sheet={sheet} work={work} done={done} />
      <BenchHead
        sheet={sheet}
        work={work}
        purpose={purpose}
        name={who?.name ?? ""}
        onPlan={batch?.onPlan ?? null}
        onAloud={aloud}
      />
      {state.parked && !state.signed && <ParkedStrip work={work} />}
      {where && <WhereStrip where={where} state={state} />}
      <BenchBand sheet={sheet} work={work} drawing={drawing} />
      {state.signed ? (
        <SignedPanel
          {...{ id, sheet, state }}
          result={work.result}
          stored={work.waiting === 0}
          open={work.open}
          job={where?.job ?? null}
          onNextInBatch={batch?.onSigned}
        />
      ) : signing ? (
        <SignPanel
          purpose={purpose}
          {...{ sheet, work, rule, way }}
          instrument={tools.instrument}
          onWay={setWay}
          units={prefs.units}
          onSign={add}
        />
      ) : (
        <StepArea
          {...{ sheet, work, rule, purpose, cautions, batch, way, aims, tools, onSimulated }}
          advised={drawing.advised}
          units={prefs.units}
          shippedBlades={props.blades}
          parted={where?.parted ?? NONE_PARTED}
          onWay={setWay}
          onInstrument={(instrument) => change({ instrument })}
          onRead={setRead}
        />
      )}
      {askingPractice && <AskPractice sheet={sheet} rule={rule} onClose={() => setAskingPractice(false)} />}
      {tools.simulated && !state.signed && (
        <SimulatedCalliper
          {...{ id, sheet, state, measuring }}
          active={toRead?.id ?? ""}
          units={prefs.units}
          onClose={() => tools.setSimulated(false)}
        />
      )}
      <MessageLine />
    </main>
  );
}

/** The instrument that reads the length, and the simulated one in its place while that is on. */
function useInstrument(
  instruments: readonly Instrument[],
  toRead: CheckStanding["check"] | undefined,
  preferred: string | null,
) {
  const [simulated, setSimulated] = useState(false);
  const able = toRead ? instrumentsFor(instruments, toRead) : instruments;
  const picked = able.find((instrument) => instrument.id === preferred) ?? mustHoldAt(able, 0);
  const instrument: Instrument = simulated ? { ...picked, ...SIMULATED } : picked;
  return { able, instrument, simulated, setSimulated };
}

interface SimulatedCalliperProps extends Pick<BenchViewProps, "id" | "sheet"> {
  readonly state: EndState;
  readonly measuring: readonly CheckStanding[];
  readonly active: string;
  readonly units: StepAreaProps["units"];
  readonly onClose: () => void;
}

/** The simulated calliper, for the lengths being measured. */
function SimulatedCalliper({ id, measuring, ...rest }: SimulatedCalliperProps) {
  if (measuring.length === 0) return null;
  return <Calliper {...rest} end={id} checks={measuring.map(({ check }) => check)} />;
}

/** The step in hand, read out by a screen reader. */
function SpokenPlace({ sheet, work: { line }, done }: { sheet: RunSheet; work: BenchWork; done: boolean }) {
  return (
    <p role="status" className="sr-only">
      {done
        ? ""
        : t("step-of-2", { value: line.index + 1, length: sheet.lines.length, title: line.step.title })}
    </p>
  );
}

/** The end drawn, with the step in hand or the rework advised lit. */
function BenchBand({
  sheet,
  work,
  drawing,
}: {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly drawing: ReturnType<typeof useDrawn>;
}) {
  const { state, line, typed } = work;
  const { done, active, reworkAdvice, shown, drawn } = drawing;
  const now = Math.max(line.index, state.inHand ? Math.max(0, state.reached - 1) : 0);
  return (
    <Band
      sheet={drawn}
      leg={shown ? reworkAdvice?.leg : (state.inHand?.leg ?? reworkedLegs(state).at(-1))}
      line={done ? sheet.lines.length : now}
      lit={shown ? shown.moves.map(({ feature }) => feature) : done ? [] : litBy(line, active)}
      readings={done || shown ? [] : bandReadings(active, typed)}
      compact
    />
  );
}

interface StepAreaProps extends Pick<BenchViewProps, "sheet" | "rule" | "purpose" | "cautions" | "batch"> {
  readonly work: BenchWork;
  readonly advised: boolean;
  readonly way: BandView;
  readonly units: ReturnType<typeof usePrefs>["prefs"]["units"];
  readonly shippedBlades: readonly BladeLine[];
  readonly parted: WhereTold["parted"];
  readonly aims: ReturnType<typeof useAims>;
  readonly tools: ReturnType<typeof useInstrument>;
  readonly onWay: (way: BandView) => void;
  readonly onSimulated: (on: boolean) => void;
  readonly onInstrument: (id: string) => void;
  readonly onRead: (check: string | null) => void;
}

/** The step in hand beside the list of steps, or beside the other ends of its batch. */
function StepArea(props: StepAreaProps) {
  const { sheet, work, batch, advised, tools, shippedBlades, ...rest } = props;
  const { state, line } = work;
  const { blades, seeTo } = useBlades(shippedBlades, line.step.kind === "cleave");
  const skipped = useMemo(() => skippedSteps(sheet, state).map(({ index }) => index), [sheet, state]);
  return (
    <>
      <StepProgress
        lines={sheet.lines}
        at={line.index}
        skipped={skipped}
        mishaps={<MishapRow sheet={sheet} work={work} className="flex-nowrap max-md:hidden" />}
        undo={<UndoButton work={work} className="ml-auto max-md:max-w-[45%] shrink-[100] md:min-w-0" />}
      />
      <div className={`short:flex-none flex min-h-0 flex-1 ${batch ? "flex-col lg:flex-row" : ""}`}>
        {batch ? (
          batch.aside(work)
        ) : advised ? null : (
          <StepList
            lines={stepsShown(work)}
            now={line}
            skipped={skipped}
            onGo={work.go}
            foot={<MishapRow sheet={sheet} work={work} className="" narrow />}
          />
        )}
        <StepWork
          {...rest}
          key={`${line.step.id}/${JSON.stringify(state.attempts)}/${state.reworks}`}
          sheet={sheet}
          work={work}
          blades={blades}
          instruments={tools.able}
          instrument={tools.instrument}
          simulated={tools.simulated}
          ends={batch ? batch.ends(state) : [state]}
          mishapsHere={batch !== undefined || advised}
          onSeeTo={seeTo}
        />
      </div>
    </>
  );
}

/** What the band shows: the end as it is, or the rework advised for it. */
function useDrawn({
  sheet,
  work,
  read,
  way,
}: {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  /** The length picked to be read. */
  readonly read: string | null;
  readonly way: BandView;
}) {
  const { state, line, here, signing, typed } = work;
  const done = signing || state.signed !== null;
  const active = activeOf(here, typed?.check.id ?? read ?? undefined);
  const asking =
    !state.signed &&
    (signing || here.length > 0 || judgementOf(line.step) !== undefined || state.faults.length > 0);
  const reworkAdvice = asking ? work.advice.find((endAdvice) => endAdvice.kind === "rework") : undefined;
  const advised = asking && work.advice.length > 0;
  const shown = reworkAdvice?.kind === "rework" && way !== "now" ? reworkAdvice[way] : null;
  const drawn = useMemo(
    () => (shown ? plannedSheet(sheet, state, shown) : work.drawn),
    [work.drawn, shown, sheet, state],
  );
  return { done, active, reworkAdvice, advised, shown, drawn };
}

/** A parked end: why, and the way to take it up again. */
function ParkedStrip({ work: { state, add } }: { work: BenchWork }) {
  return (
    <div className="flex items-center gap-3 border-line border-t bg-note px-4">
      <p className="min-w-0 flex-1 leading-tight">
        <strong>{t("parked-2")}</strong>
        {state.parked?.why ? `: ${state.parked.why}` : ""}
      </p>
      <Button look="link" onClick={() => add({ kind: "park", on: false, why: "" })}>
        {t("take-it-up-again")}
      </Button>
    </div>
  );
}

/** What the band lights: the place being made, or the two a length lies between. */
function litBy(line: Line, active: CheckStanding | undefined): string[] {
  if (active) return [active.check.from, active.check.to];
  return line.figure ? [line.figure.feature] : [];
}
