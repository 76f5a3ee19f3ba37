"use client";

import { X } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import {
  type Check,
  type CheckStanding,
  type Conformance,
  type Instrument,
  judgeCheck,
  LONGEST_READING,
  parseLength,
  type Reading,
  type Rule,
  type Written,
} from "@/core";
import { ToleranceScale } from "../figure/tolerance-scale";
import { figureText, lengthText, limitsText, type Units } from "../words/length-text";
import { VerdictSign } from "../words/verdict-sign";
import { verdictWords } from "../words/verdict-words";
import { InstrumentPicker } from "./instrument-picker";

interface MeasurePanelProps {
  readonly standings: readonly CheckStanding[];
  readonly rule: Rule;
  readonly units: Units;
  readonly instruments: readonly Instrument[];
  readonly instrument: Instrument;
  readonly onInstrument: (id: string) => void;
  readonly onReading: (reading: Reading) => void;
  readonly onStrike: (id: string) => void;
  readonly onTyped: (typed: { check: Check; value: number; judged: Conformance } | null) => void;
  readonly saved: (id: string) => boolean;
}

/** Readings of the lengths asked for here: the verdict follows every key; Enter keeps the reading. */
export function MeasurePanel(props: MeasurePanelProps) {
  const {
    standings,
    rule,
    units,
    instruments,
    instrument,
    onInstrument,
    onReading,
    onStrike,
    onTyped,
    saved,
  } = props;
  const firstOpen = standings.find(({ judged }) => judged === null)?.check.id ?? standings[0]?.check.id;
  const [picked, setPicked] = useState<string | null>(null);
  const [text, setText] = useState("");
  const [refusal, setRefusal] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const active = standings.find(({ check }) => check.id === (picked ?? firstOpen)) ?? standings[0];
  const check = active?.check as Check;
  const parsed = useMemo(
    () =>
      text.trim() === ""
        ? null
        : parseLength(text, { unit: units === "in" ? "in" : "mm", max: LONGEST_READING }),
    [text, units],
  );
  const written = parsed?.ok ? parsed.value : null;
  const typed = useMemo(
    () =>
      written
        ? judgeCheck(check, [...(active?.readings ?? []), { value: written.length, instrument }], rule)
        : null,
    [written, check, active, instrument, rule],
  );
  useEffect(() => {
    onTyped(written && typed ? { check, value: written.length, judged: typed } : null);
  }, [written, typed, check, onTyped]);
  useEffect(() => {
    if (window.matchMedia("(min-width: 640px)").matches) input.current?.focus();
  }, []);

  const keep = () => {
    if (!parsed) return;
    if (!parsed.ok) {
      setRefusal(parsed.problem.message);
      return;
    }
    onReading({
      kind: "reading",
      check: check.id,
      value: parsed.value.length,
      typed: text.trim(),
      unit: parsed.value.unit === "in" || parsed.value.unit === "ft" ? "in" : "mm",
      instrument: {
        id: instrument.id,
        name: instrument.name,
        resolution: instrument.resolution,
        repeatability: instrument.repeatability,
      },
    });
    const settled = typed?.verdict === "in";
    const next = standings.find((one) => one.judged === null && one.check.id !== check.id);
    setPicked(settled && next ? next.check.id : check.id);
    setText("");
    setRefusal(null);
  };

  const shown = typed ?? active?.judged ?? null;
  const problem = refusal ?? (parsed && !parsed.ok && text.length > 2 ? parsed.problem.message : null);
  return (
    <div className="grid content-start gap-2">
      <Tabs
        standings={standings}
        active={check.id}
        units={units}
        onPick={(id) => {
          setPicked(id);
          input.current?.focus();
        }}
      />
      <label htmlFor="reading" className="text-soft text-sm">
        Reading: {check.name}
        {check.leg && `, leg ${check.leg}`}
      </label>
      <div className="flex items-center rounded-lg border-[3px] border-ink bg-field pr-3 focus-within:outline-3 focus-within:outline-now">
        <input
          ref={input}
          id="reading"
          value={text}
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          maxLength={40}
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
          className="figures h-16 w-full min-w-0 bg-transparent px-4 font-bold text-4xl outline-none"
        />
        <span className="text-soft text-xl">{units === "in" ? "in" : "mm"}</span>
        <button
          type="button"
          onClick={keep}
          disabled={!written}
          className="ml-3 min-h-12 rounded-md bg-strong px-4 font-semibold text-on-strong disabled:opacity-40"
        >
          Keep
        </button>
      </div>
      <InstrumentPicker instruments={instruments} instrument={instrument} onPick={onInstrument} />
      <div id="verdict" role="status" aria-live="polite" className="min-h-[5.5rem]">
        {problem ? (
          <p className="font-semibold text-out">{problem}</p>
        ) : (
          shown && <VerdictShown check={check} judged={shown} units={units} written={written} bare={text} />
        )}
      </div>
      <ToleranceScale
        nominal={check.nominal}
        plus={check.max === null ? null : minusOf(check.max, check.nominal)}
        minus={check.min === null ? null : minusOf(check.nominal, check.min)}
        units={units}
        reading={shown && { value: shown.mean, verdict: shown.verdict }}
      />
      <Readings standing={active} units={units} saved={saved} onStrike={onStrike} />
    </div>
  );
}

const minusOf = (a: number, b: number) => (a - b) as Check["nominal"];

function Tabs({
  standings,
  active,
  units,
  onPick,
}: {
  standings: readonly CheckStanding[];
  active: string;
  units: Units;
  onPick: (id: string) => void;
}) {
  return (
    <ul
      aria-label="Lengths to read"
      className="flex gap-2 overflow-x-auto p-1 lg:grid lg:gap-1 lg:overflow-visible"
    >
      {standings.map(({ check, judged }) => (
        <li key={check.id} className="shrink-0">
          <button
            type="button"
            onClick={() => onPick(check.id)}
            aria-pressed={check.id === active}
            className={`flex min-h-12 w-full items-center gap-2 rounded-md border px-3 text-left lg:min-h-10 ${check.id === active ? "border-ink bg-raised font-semibold" : "border-line"}`}
          >
            {judged ? (
              <VerdictSign verdict={judged.verdict} />
            ) : (
              <span aria-hidden="true" className="size-5 shrink-0 rounded-full border-2 border-soft" />
            )}
            <span className="min-w-0 flex-1 truncate">
              {check.name}
              {check.leg && ` · ${check.leg}`}
              {judged && <span className="sr-only">, {judged.verdict}</span>}
            </span>
            <span className="figures whitespace-nowrap text-sm">
              {limitsText(check.min, check.max, units)}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function VerdictShown({
  check,
  judged,
  units,
  written,
  bare,
}: {
  check: Check;
  judged: Conformance;
  units: Units;
  written: Written | null;
  bare: string;
}) {
  const { word, by, sure, todo } = verdictWords(check, judged, units);
  const readAs = written && !/^[\d.,\s]+$/.test(bare) ? `read as ${lengthText(written.length, units)}` : null;
  return (
    <div className="flex items-start gap-3">
      <VerdictSign verdict={judged.verdict} large />
      <p className="leading-snug">
        <span className="text-2xl">
          <strong>{word}</strong> {by}
        </span>
        <span className="block text-soft">
          {sure}
          {readAs && ` · ${readAs}`}
        </span>
        {todo && <span className="block text-lg">{todo}</span>}
        {judged.verdict === "out" && written && <UnitSlip check={check} written={written} units={units} />}
      </p>
    </div>
  );
}

/** A reading far out that would be in, taken in the other unit, is most likely that. */
function UnitSlip({ check, written, units }: { check: Check; written: Written; units: Units }) {
  const other = units === "in" ? written.length / 25.4 : written.length * 25.4;
  const fits = (check.min === null || other >= check.min) && (check.max === null || other <= check.max);
  return fits ? (
    <span className="block font-semibold">
      If you read {units === "in" ? "millimetres, add “mm”" : "inches, add “in”"}: that would be in.
    </span>
  ) : null;
}

function Readings({
  standing,
  units,
  saved,
  onStrike,
}: {
  standing: CheckStanding | undefined;
  units: Units;
  saved: (id: string) => boolean;
  onStrike: (id: string) => void;
}) {
  if (!standing || standing.readings.length === 0) return null;
  return (
    <ul aria-label="Readings kept" className="flex flex-wrap gap-2">
      {standing.readings.map(({ id, value, typed, instrument }) => (
        <li key={id} className="flex items-center rounded-md border border-line bg-raised pl-3">
          <span>
            <span className="figures font-bold">{figureText(value, units)}</span>{" "}
            <span className="text-soft text-sm">
              {instrument.name} · {saved(id) ? "saved" : "waiting"}
            </span>
          </span>
          <button
            type="button"
            onClick={() => onStrike(id)}
            aria-label={`Strike out ${typed}`}
            className="flex size-12 items-center justify-center"
          >
            <X aria-hidden="true" className="size-5" />
          </button>
        </li>
      ))}
    </ul>
  );
}
