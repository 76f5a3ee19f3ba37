"use client";

import { useState } from "react";
import {
  type CheckStanding,
  capital,
  countsOf,
  type Instrument,
  inOrderOfDoing,
  isMidRun,
  onLeg,
  overrun,
  type Purpose,
  type Result,
  type Rule,
  type RunSheet,
  skippedSteps,
} from "@/core";
import { t } from "@/messages/bench";
import { AdvicePanel, type BandView } from "../advice/advice-panel";
import { PhotoStrip } from "../aids/photo-strip";
import { Button } from "../controls/button";
import { EndFacePanel } from "../light/end-face-panel";
import { usualFace } from "../light/face-texts";
import { LightPanel } from "../light/light-panel";
import { ReadingPanel } from "../reading/reading-panel";
import { passedWords } from "../words/held-words";
import { limitsText, type Units } from "../words/length-text";
import { OpenList } from "../words/open-list";
import { VerdictSign } from "../words/verdict-sign";
import { RESULT_WORDS, verdictWords } from "../words/verdict-words";
import type { BenchWork } from "../work/use-work";
import { type SignEvent, SignForm } from "./sign-form";

interface SignPanelProps {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly rule: Rule;
  readonly purpose: Purpose;
  readonly instrument: Instrument;
  readonly way: BandView;
  readonly onWay: (way: BandView) => void;
  readonly units: Units;
  readonly onSign: (event: SignEvent) => void;
}

const SAY: Record<Result, string> = {
  in: t("every-length-was-read-and-is"),
  out: t("sign-it-off-so-only-if"),
  unsure: t("measure-it-again-or-sign-it"),
  unmeasured: t("the-record-will-say-so"),
  "cut-off": t("this-end-was-cut-off"),
  discarded: t("this-end-was-discarded"),
};

/** Each step that was passed without what it asks for, and each clock that ran out, by name with a way to it. */
function Passed({ sheet, work }: Pick<SignPanelProps, "sheet" | "work">) {
  const skipped = skippedSteps(sheet, work.state, sheet.lines.length);
  const late = overrun(sheet, work.state);
  const uncounted = countsOf(work.drawn, work.state).filter(({ count }) => count === null);
  if (skipped.length + late.length + uncounted.length === 0) return null;
  return (
    <section aria-labelledby="passed" className="rounded-lg border-2 border-unsure p-3">
      <h3 id="passed" className="font-bold">
        {t("passed-by")}
      </h3>
      <ul className="grid gap-1">
        {skipped.map((undone) => (
          <li key={undone.index} className="flex items-center gap-3 leading-tight">
            <span className="min-w-0 flex-1">
              {undone.title}: {passedWords(undone, isMidRun(sheet))}
            </span>
            <Button
              look="quiet"
              onClick={() => work.go(undone.index)}
              aria-label={t("go-to-it", { title: undone.title })}
              className="shrink-0 text-sm"
            >
              {t("go-to-it-2")}
            </Button>
          </li>
        ))}
        {uncounted.length > 0 && (
          <li className="leading-tight">
            {t("not-counted", { value: uncounted.map(({ of, title }) => t("at", { of, title })).join("; ") })}
          </li>
        )}
        {late.map(({ from, until, of, seconds }) => (
          <li key={`late ${from}`} className="leading-tight">
            {capital(of)}: “{sheet.lines[until]?.step.title}
            {t("came-later-than-seconds", { seconds })}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The length to read was picked by its name: a reading is of no other. */
const NONE: [] = [];

/** The last word on an end: what it came to, and whose name stands for it. */
export function SignPanel(props: SignPanelProps) {
  const { sheet, work, rule, purpose, instrument, way, onWay, units, onSign } = props;
  const { all, result, state, add: onAdd, back: onBack, advice } = work;
  const standings = inOrderOfDoing(all);
  const [picked, setPicked] = useState<string | null>(null);
  const reading = standings.find(({ check }) => check.id === picked);
  return (
    <div className="mx-auto w-full max-w-6xl short:overflow-visible gap-8 overflow-y-auto px-4 py-5 lg:grid lg:grid-cols-2">
      <div className="grid content-start gap-4">
        <h2 id="sign-off" tabIndex={-1} className="flex items-center gap-3 font-bold text-3xl outline-none">
          <VerdictSign verdict={result} large /> {RESULT_WORDS[result]}
        </h2>
        <OpenList points={work.open} />
        <p className="text-lg">{SAY[result]}</p>
        <Passed sheet={sheet} work={work} />
        {advice.map((endAdvice, i) => (
          <AdvicePanel
            key={endAdvice.leg}
            sheet={sheet}
            advice={endAdvice}
            units={units}
            way={way}
            onWay={onWay}
            onTake={(plan) => work.take(endAdvice, plan)}
            onStartOver={() => document.getElementById("signer")?.focus()}
            first={i === 0}
          />
        ))}
        <LengthsRead sheet={sheet} standings={standings} units={units} picked={picked} onPick={setPicked} />
      </div>
      <div className="grid content-start gap-4">
        {reading && (
          <ReadingPanel
            key={reading.check.id}
            draft={work.id}
            midRun={isMidRun(sheet)}
            standing={reading}
            others={NONE}
            rule={rule}
            units={units}
            instrument={instrument}
            saved={work.saved}
            onKeep={(event) => onAdd(event)}
            onStrike={work.strike}
            onTyped={work.setTyped}
          />
        )}
        <LightPanel
          state={state}
          rule={rule}
          family={sheet.procedure.family}
          purpose={purpose}
          onAdd={onAdd}
          onStrike={work.strike}
        />
        <EndFacePanel
          state={state}
          usual={usualFace(sheet.picked.core, sheet.picked.choices.polish)}
          onAdd={onAdd}
          onStrike={work.strike}
        />
        <PhotoStrip
          end={work.id}
          photos={state.photos.map((photo) => ({ ...photo, original: photo.original?.sha256 }))}
          onAdded={work.learn}
        />
        <SignForm state={state} result={result} onAdd={onAdd} onBack={onBack} onSign={onSign} />
      </div>
    </div>
  );
}

interface LengthsReadProps extends Pick<SignPanelProps, "sheet" | "units"> {
  readonly standings: readonly CheckStanding[];
  readonly picked: string | null;
  readonly onPick: (check: string) => void;
}

/** Every length with what it came to, and a way to read it now. */
function LengthsRead({ sheet, standings, units, picked, onPick }: LengthsReadProps) {
  return (
    <ul className="divide-y divide-line border-line border-y">
      {standings.map(({ check, judged, readings }) => {
        const words = judged && verdictWords(check, judged, units);
        return (
          <li key={check.id} className="flex items-center gap-3 py-1">
            <VerdictSign verdict={judged?.verdict ?? "unmeasured"} />
            <span className="min-w-0 flex-1">
              {check.name}
              {onLeg(check.leg, isMidRun(sheet))}{" "}
              <span className="text-soft">{limitsText(check.min, check.max, units)}</span>
            </span>
            <span className="text-right">
              {words
                ? t("read", { word: words.word, by: words.by, length: readings.length })
                : t("not-measured")}
            </span>
            <Button
              look="quiet"
              onClick={() => onPick(check.id)}
              aria-pressed={picked === check.id}
              aria-label={t("read-this", { name: check.name, leg: onLeg(check.leg, isMidRun(sheet)) })}
              className="text-sm"
            >
              {t("read-2")}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
