"use client";

import {
  type BladeLine,
  counterOf,
  type EndEvent,
  type EndState,
  isHandsFree,
  type Line,
  type RunSheet,
  shardsMissing,
} from "@/core";
import type { Units } from "../words/length-text";
import { BladeAid } from "./blade";
import { Counter } from "./counter";
import { EntryTubePicture } from "./entry-tube";
import { BowPicture, FlushPicture, GripPicture, LightPicture } from "./pictures";
import { PolarityPicture } from "./polarity";
import { SettingPicture } from "./setting-picture";
import { ShardCount } from "./shard-count";
import { StepTimer } from "./step-timer";

interface AidsProps {
  readonly sheet: RunSheet;
  readonly line: Line;
  readonly state: EndState;
  readonly blades: readonly BladeLine[];
  readonly count: number;
  readonly onCount: (count: number) => void;
  readonly onAdd: (event: EndEvent) => void;
  readonly onSeeTo: (tool: string, action: "wipe" | "turn" | "new") => void;
}

/** What is counted, timed or seen to at a step: it sits where the hand goes. */
export function StepTools({ sheet, line, state, blades, count, onCount, onAdd, onSeeTo }: AidsProps) {
  const { step } = line;
  const counter = counterOf(line);
  const blade = blades.find(({ tool }) => "tool" in step && tool === step.tool && step.kind === "cleave");
  const timer = state.timers.find((timer) => timer.step === step.id);
  return (
    <div className="grid content-start gap-4 empty:hidden">
      {blade && <BladeAid blade={blade} onSeeTo={onSeeTo} />}
      {counter && (
        <Counter
          key={`${step.id}/${JSON.stringify(state.attempts)}`}
          of={counter.of}
          least={counter.min}
          most={counter.max}
          count={count}
          onCount={onCount}
        />
      )}
      {step.seconds && (
        <StepTimer
          step={step}
          seconds={step.seconds}
          free={isHandsFree(step)}
          timer={timer}
          enter={!counter}
          onTimer={(action, seconds) => onAdd({ kind: "timer", step: step.id, action, seconds })}
        />
      )}
      {(step.kind === "dispose" || (line.index === sheet.lines.length - 1 && shardsMissing(state) > 0)) && (
        <ShardCount shards={state.shards} onAdd={onAdd} />
      )}
    </div>
  );
}

interface PicturesProps {
  readonly sheet: RunSheet;
  readonly line: Line;
  readonly reading: number | null;
  readonly units: Units;
}

/** Pictures of a step, drawn from its own figures. */
export function StepPictures({ sheet, line, reading, units }: PicturesProps) {
  const { step, checks } = line;
  const { choices } = sheet.picked;
  const has = (aid: (typeof step.aids)[number]) => step.aids.includes(aid);
  const [stand] = checks;
  const seat = sheet.lines.findIndex((line) => line.step.kind === "insert");
  return (
    <div className="mt-3 flex flex-wrap items-start gap-x-8 gap-y-3 empty:hidden">
      {step.setting && <SettingPicture setting={step.setting} line={line} sheet={sheet} units={units} />}
      {has("entry-tube") && stand && <EntryTubePicture check={stand} reading={reading} units={units} />}
      {has("light") && <LightPicture goesOut={choices.light === "out"} seated={line.index > seat} />}
      {has("bow") && <BowPicture />}
      {has("polarity") && <PolarityPicture end={choices["run-end"]} />}
      {has("grip-test") && <GripPicture />}
      {has("flush") && <FlushPicture />}
    </div>
  );
}
