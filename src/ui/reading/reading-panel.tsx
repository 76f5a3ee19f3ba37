import { fitsInOtherUnit } from "@/core";

("use client");

import { X } from "lucide-react";
import { startTransition, useEffect, useMemo, useRef, useState } from "react";
import {
  belongsTo,
  type Check,
  type CheckStanding,
  type Conformance,
  canBeNegative,
  type Instrument,
  judgeCheck,
  LONGEST_READING,
  onLeg,
  parseLength,
  type Reading,
  type Rule,
  um,
  type WrittenLength,
} from "@/core";
import { t } from "@/messages/reading";
import { Button } from "../controls/button";
import { ChoiceButton } from "../controls/choice";
import { IconButton } from "../controls/icon-button";
import { usePaused } from "../controls/use-paused";
import { ToleranceScale } from "../figure/tolerance-scale";
import { figureText, lengthText, toleranceOf, type Units } from "../words/length-text";
import { textKept, useKept } from "../words/use-kept";
import { VerdictSign } from "../words/verdict-sign";
import { otherSideWords, verdictWords } from "../words/verdict-words";

/** A reading as it is being typed, with what it would come to. */
export interface Typed {
  readonly check: Check;
  readonly value: number;
  readonly judged: Conformance;
}

interface ReadingPanelProps {
  readonly standing: CheckStanding;
  /** Other lengths a reading could be of: those not read yet. */
  readonly others: readonly CheckStanding[];
  /** Whether its legs are the sides of an opening. */
  readonly midRun: boolean;
  /** The end it is read on: what is half typed is kept for it over a reload. */
  readonly draft: string;
  readonly rule: Rule;
  readonly units: Units;
  readonly instrument: Instrument;
  /** `chosen` where somebody said which length it is of. */
  readonly onKeep: (reading: Reading, verdict: Conformance, chosen: boolean) => void;
  readonly onStrike: (id: string) => void;
  readonly onTyped: (typed: Typed | null) => void;
  readonly saved: (id: string) => boolean;
  /** Whether what to do about it is shown beside it, worked out from all that was read and seen. */
  readonly advised?: boolean;
  /** Enter with nothing typed. */
  readonly onEmptyEnter?: () => void;
}

/** Readings of one length: the verdict follows every key; Enter keeps the reading. */
export function ReadingPanel({
  standing: requested,
  others,
  midRun,
  draft,
  rule,
  units,
  instrument,
  onKeep,
  onStrike,
  onTyped,
  saved,
  advised = false,
  onEmptyEnter,
}: ReadingPanelProps) {
  const [text, setText] = useKept<string>(`reading/${draft}/${requested.check.id}`, "", textKept);
  const [refusal, setRefusal] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const choices = useRef<HTMLFieldSetElement>(null);
  const either = [requested, ...others].some((checkStanding) => canBeNegative(checkStanding.check));
  const parsed = useMemo(
    () =>
      text.trim() === ""
        ? null
        : parseLength(text, {
            unit: units === "in" ? "in" : "mm",
            max: LONGEST_READING,
            ...(either && { min: um(-LONGEST_READING) }),
          }),
    [text, units, either],
  );
  const written = parsed?.ok ? parsed.value : null;
  const belongs = useMemo(
    () =>
      written
        ? belongsTo(
            [requested, ...others]
              .map((checkStanding) => checkStanding.check)
              .filter((check) => written.length >= 0 || canBeNegative(check)),
            written.length,
          )
        : null,
    [written, requested, others],
  );
  const standing =
    belongs?.kind === "one"
      ? (others.find((checkStanding) => checkStanding.check === belongs.check) ?? requested)
      : requested;
  const doubt = belongs?.kind === "ask" ? belongs.checks : null;
  const { check, readings, other } = standing;
  const typed = useMemo(
    () =>
      written ? judgeCheck(check, [...readings, { value: written.length, instrument }], rule, other) : null,
    [written, check, readings, instrument, rule, other],
  );
  const [ahead] = usePaused(
    useMemo(
      () => (written && typed ? { check, value: written.length, judged: typed } : null),
      [written, typed, check],
    ),
    written !== null,
  );
  // The band follows once keys pause: no verdict waits for it.
  useEffect(() => startTransition(() => onTyped(ahead)), [ahead, onTyped]);
  useEffect(() => {
    if (window.matchMedia("(min-width: 640px)").matches) input.current?.focus({ preventScroll: true });
    // Whatever is said above it on a small screen, the field itself is in view.
    input.current?.scrollIntoView({ block: "nearest" });
  }, []);

  const keep = (as?: Check) => {
    if (!parsed) {
      onEmptyEnter?.();
      return;
    }
    if (doubt && !as) {
      choices.current?.querySelector("button")?.focus();
      return;
    }
    if (!parsed.ok || !typed) {
      setRefusal(parsed.ok ? null : parsed.problem.message);
      return;
    }
    const { id, name, resolution, repeatability } = instrument;
    const unit = parsed.value.unit === "in" || parsed.value.unit === "ft" ? "in" : "mm";
    const of = [requested, ...others].find((checkStanding) => checkStanding.check === as) ?? standing;
    const judged = judgeCheck(
      of.check,
      [...of.readings, { value: parsed.value.length, instrument }],
      rule,
      of.other,
    );
    if (!judged) return;
    onKeep(
      {
        kind: "reading",
        check: of.check.id,
        value: parsed.value.length,
        typed: text.trim(),
        unit,
        instrument: { id, name, resolution, repeatability },
      },
      judged,
      as !== undefined,
    );
    setText("");
    input.current?.focus();
    setRefusal(null);
  };

  const shown = typed ?? standing.judged;
  const problem = refusal ?? (parsed && !parsed.ok && text.length > 2 ? parsed.problem.message : null);
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
          onChange={(event) => {
            setText(event.target.value);
            setRefusal(null);
          }}
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
      <div id="verdict" role="status" aria-live="polite" className="min-h-[5.6rem]">
        {problem ? (
          <p className="font-semibold text-out">{problem}</p>
        ) : doubt ? (
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
