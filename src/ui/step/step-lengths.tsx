"use client";

import { Usb } from "lucide-react";
import { inOrderOfDoing, isMidRun } from "@/core";
import { t } from "@/messages/bench";
import { Faults } from "../advice/faults";
import { SpareCable } from "../advice/spare-cable";
import { Button } from "../controls/button";
import { CheckList } from "../reading/check-list";
import { InstrumentPicker } from "../reading/instrument-picker";
import type { StepProps } from "./step-props";
import { UnsureWays } from "./unsure-ways";
import type { StepView } from "./use-step-view";

interface StepLengthsProps {
  readonly step: StepProps;
  readonly view: StepView;
}

/** The lengths read at a step, the instrument, and what else can be said of the end; nothing where none is read. */
export function StepLengths({ step: props, view: { reading, standings, advices, pick } }: StepLengthsProps) {
  const { sheet, work, rule, units } = props;
  const { state, add } = work;
  if (!reading) return null;
  return (
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
          aria-label={t("simulate-calliper")}
          onClick={() => props.onSimulated(!props.simulated)}
          className="gap-1.5 px-2.5 text-sm aria-pressed:border-ink"
        >
          <Usb aria-hidden="true" className="size-4" /> {t("simulate")}
        </Button>
      </div>
      <UnsureWays sheet={sheet} rule={rule} standing={reading} work={work} units={units} />
    </>
  );
}
