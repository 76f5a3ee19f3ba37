"use client";

import { X } from "lucide-react";
import {
  type Check,
  type CheckStanding,
  type Conformance,
  fitsInOtherUnit,
  onLeg,
  um,
  type WrittenLength,
} from "@/core";
import { t } from "@/messages/reading";
import { Button } from "../controls/button";
import { ChoiceButton } from "../controls/choice";
import { IconButton } from "../controls/icon-button";
import { ToleranceScale } from "../figure/tolerance-scale";
import { figureText, lengthText, toleranceOf, type Units } from "../words/length-text";
import { VerdictSign } from "../words/verdict-sign";
import { otherSideWords, verdictWords } from "../words/verdict-words";
import type { ReadingPanelProps } from "./reading-props";
import { useReading } from "./use-reading";

/** Readings of one length: the verdict follows every key; Enter keeps the reading. */
export function ReadingPanel(props: ReadingPanelProps) {
  const { midRun, units, onStrike, saved, advised = false } = props;
  const reading = useReading(props);
  const { text, written, standing, doubt, typed, problem } = reading;
  const { check, other } = standing;
  const shown = typed ?? standing.judged;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-2">
      <label htmlFor="reading" className="text-soft text-sm">
        {doubt
          ? t("reading")
          : t("reading-2", {
              name: check.name,
              onLeg: onLeg(check.leg, midRun),
              figureText: figureText(check.nominal, units, toleranceOf(check)),
            })}
      </label>
      <ReadingField reading={reading} units={units} />
      <div id="verdict" role="status" aria-live="polite" className="min-h-[5.6rem]">
        {problem ? (
          <p className="font-semibold text-out">{problem}</p>
        ) : doubt ? (
          <WhichLength reading={reading} doubt={doubt} units={units} midRun={midRun} />
        ) : (
          shown && (
            <VerdictShown
              check={check}
              judged={shown}
              units={units}
              written={written}
              bare={text}
              advised={advised}
            />
          )
        )}
      </div>
      <ToleranceScale
        nominal={check.nominal}
        plus={check.max === null ? null : um(check.max - check.nominal)}
        minus={check.min === null ? null : um(check.nominal - check.min)}
        units={units}
        reading={shown && { value: shown.mean, verdict: shown.verdict }}
      />
      {other && <p className="text-soft text-sm">{otherSideWords(other, units)}</p>}
      <Readings standing={standing} units={units} saved={saved} onStrike={onStrike} />
    </div>
  );
}

interface ReadingFieldProps {
  readonly reading: ReturnType<typeof useReading>;
  readonly units: Units;
}

function ReadingField({ reading: { text, type, written, problem, keep, input }, units }: ReadingFieldProps) {
  return (
    <div className="flex items-center rounded-lg border-[3px] border-ink bg-field pr-2 focus-within:outline-3 focus-within:outline-now">
      <input
        ref={input}
        id="reading"
        value={text}
        autoComplete="off"
        spellCheck={false}
        maxLength={40}
        enterKeyHint="done"
        aria-describedby="verdict"
        aria-invalid={problem !== null}
        onChange={(event) => type(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            event.preventDefault();
            keep();
          }
        }}
        className="figure-huge h-16 w-full min-w-0 bg-transparent [contain:size_layout] px-3 font-bold text-4xl outline-none"
      />
      <span className="text-soft text-xl">{units === "in" ? "in" : "mm"}</span>
      <Button look="strong" onClick={() => keep()} disabled={!written} className="ml-2">
        {t("keep")}
      </Button>
    </div>
  );
}

interface WhichLengthProps extends ReadingFieldProps {
  readonly doubt: readonly Check[];
  readonly midRun: boolean;
}

/** A reading that fits several lengths: which of them it is of. */
function WhichLength({ reading: { keep, choices }, doubt, units, midRun }: WhichLengthProps) {
  return (
    <fieldset ref={choices} className="grid gap-1">
      <legend className="font-semibold">{t("which-length-is-it")}</legend>
      {doubt.map((check) => (
        <ChoiceButton
          key={check.id}
          onClick={() => keep(check)}
          className="flex items-center justify-between gap-3"
        >
          <span>
            {check.name}
            {onLeg(check.leg, midRun)}
          </span>
          <span className="figures text-soft text-sm">
            {figureText(check.nominal, units, toleranceOf(check))}
          </span>
        </ChoiceButton>
      ))}
    </fieldset>
  );
}

interface VerdictShownProps {
  readonly check: Check;
  readonly judged: Conformance;
  readonly units: Units;
  readonly written: WrittenLength | null;
  readonly bare: string;
  readonly advised: boolean;
}

function VerdictShown({ check, judged, units, written, bare, advised }: VerdictShownProps) {
  const { word, by, sure, todo } = verdictWords(check, judged, units);
  const readAs =
    written && !/^[\d.,\s]+$/.test(bare)
      ? t("read-as", { lengthText: lengthText(written.length, units) })
      : null;
  return (
    <div className="flex items-start gap-3">
      <VerdictSign verdict={judged.verdict} large />
      <p className="min-w-0 leading-snug">
        <span className="text-2xl">
          <strong>{word}</strong> {by}
        </span>
        <span className="block text-soft">
          {sure}
          {readAs && ` · ${readAs}`}
        </span>
        {todo && !(advised && judged.verdict === "out") && (
          <span className="block text-lg leading-snug">{todo}</span>
        )}
        {judged.verdict === "out" && written && <UnitSlip check={check} written={written} units={units} />}
      </p>
    </div>
  );
}

/** A reading far out that would be in, taken in the other unit, is most likely that. */
function UnitSlip({ check, written, units }: { check: Check; written: WrittenLength; units: Units }) {
  return fitsInOtherUnit(check, written.length, units === "in" ? "in" : "mm") ? (
    <span className="block font-semibold">
      {t("if-you-read-that-would-be", {
        value: units === "in" ? t("millimetres-add-mm") : t("inches-add-in"),
      })}
    </span>
  ) : null;
}

function Readings({
  standing,
  units,
  saved,
  onStrike,
}: {
  standing: CheckStanding;
  units: Units;
  saved: (id: string) => boolean;
  onStrike: (id: string) => void;
}) {
  if (standing.readings.length === 0) return null;
  return (
    <ul aria-label={t("readings-kept")} className="flex flex-wrap gap-1.5">
      {standing.readings.map(({ id, value, typed, instrument }) => (
        <li
          key={id}
          className="flex items-center rounded-md border border-line bg-raised pl-3"
          title={instrument.name}
        >
          <span className="figures font-bold">{figureText(value, units)}</span>
          <span className="ml-2 text-soft text-sm">{saved(id) ? "saved" : "waiting"}</span>
          <IconButton onClick={() => onStrike(id)} name={t("strike-out", { typed })}>
            <X aria-hidden="true" className="size-5" />
          </IconButton>
        </li>
      ))}
    </ul>
  );
}
