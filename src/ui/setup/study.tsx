"use client";

import { X } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import {
  FEWEST_READINGS,
  formatMm,
  type Instrument,
  type Length,
  parseLength,
  repeatabilityOf,
  STUDY_READINGS,
  um,
  zStudyAnswer,
} from "@/core";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Input } from "../controls/input";
import { post } from "../http/http";
import { usePeople } from "../people/people-context";
import { usePrefs } from "../prefs/prefs-context";
import { ProgressBar } from "../shell/progress-bar";
import { LocalTime } from "../words/local-time";

export interface KeptStudy {
  readonly id: string;
  readonly at: string;
  readonly person: string;
  readonly by: string | null;
  readonly instrument: string;
  readonly readings: readonly Length[];
  readonly repeatability: Length;
}

interface StudyProps {
  readonly instruments: readonly Instrument[];
  readonly instrument: Instrument;
  readonly kept: readonly KeptStudy[];
}

/** One piece measured ten times: how this instrument repeats in this hand, used from then on. */
export function Study({ instruments, instrument, kept: known }: StudyProps) {
  const { prefs } = usePrefs();
  const { who } = usePeople();
  const [readings, setReadings] = useState<readonly Length[]>([]);
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const [kept, setKept] = useState(known);
  const found = readings.length >= FEWEST_READINGS ? repeatabilityOf(readings) : null;
  const latest = kept.find(
    (study) =>
      who !== null && study.by !== null && who.ids.includes(study.by) && study.instrument === instrument.id,
  );
  const add = () => {
    const parsed = parseLength(text, { unit: prefs.units === "in" ? "in" : "mm", max: um(5_000_000) });
    if (!parsed.ok) {
      setProblem(parsed.problem.message);
      return;
    }
    setReadings([...readings, parsed.value.length]);
    setText("");
    setProblem("");
  };
  const keep = async () => {
    if (!who) return;
    const answer = await post("/api/v1/studies", zStudyAnswer, {
      person: who.id,
      instrument: instrument.id,
      readings: readings.map((value) => value / 1000),
    });
    if (!answer.ok) {
      setProblem(answer.problem.message);
      return;
    }
    setKept([answer.value, ...kept]);
    setReadings([]);
    toast(
      `Kept: ${instrument.name} repeats ${formatMm(answer.value.repeatability)} mm in ${who.name}'s hand.`,
    );
  };
  return (
    <div>
      <h2 className="mb-2 font-bold text-lg">How well do you repeat?</h2>
      <p className="mb-2 text-soft">
        Measure one piece {STUDY_READINGS} times with the {instrument.name.toLowerCase()}, opening it each
        time. From then on the verdicts use your own figure.
        {latest && (
          <>
            {" "}
            Yours stands at {formatMm(latest.repeatability)} mm (<LocalTime iso={latest.at} />
            ).
          </>
        )}
      </p>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== "") add();
        }}
      >
        <label className="grid gap-0.5">
          <span className="text-soft text-sm">
            Reading {Math.min(readings.length + 1, STUDY_READINGS)} of {STUDY_READINGS} (
            {prefs.units === "in" ? "in" : "mm"})
          </span>
          <Input
            value={text}
            onChange={(event) => setText(event.target.value)}
            maxLength={40}
            autoComplete="off"
            aria-invalid={problem !== ""}
            aria-describedby="study-problem"
            strong
            className="figures w-44 text-xl"
          />
        </label>
        <Button type="submit">Add</Button>
        <span className="self-center">
          <ProgressBar value={readings.length} most={STUDY_READINGS} name="Readings taken" />
        </span>
      </form>
      <p id="study-problem" role="alert" className="text-out">
        {problem}
      </p>
      {readings.length > 0 && (
        <ul aria-label="Readings of the piece" className="mt-2 flex flex-wrap gap-1.5">
          {readings.map((value, i) => (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: equal readings are told apart by their place only
              key={i}
              className={`flex items-center rounded-md border pl-3 ${found?.stray === i ? "border-2 border-out" : "border-line"}`}
            >
              <span className="figures">{(value / 1000).toFixed(instrument.resolution < 100 ? 2 : 1)}</span>
              <IconButton
                name={`Take out reading ${i + 1}`}
                onClick={() => setReadings(readings.filter((_, j) => j !== i))}
              >
                <X aria-hidden="true" className="size-4" />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
      {found && (
        <div role="status" className="mt-2 grid gap-1">
          <p>
            Repeats <strong>{formatMm(found.repeatability)} mm</strong> (95 %: {micro(found.low)} to{" "}
            {micro(found.high)}), mean {formatMm(Math.round(found.mean))} mm. The shelf says{" "}
            {formatMm(instrument.repeatability)} mm.
          </p>
          {found.stray !== null && (
            <p className="font-semibold text-out">
              Reading {found.stray + 1} stands off the rest: a slip of the hand? Take it out and read again.
            </p>
          )}
          <Button
            look="strong"
            onClick={keep}
            disabled={readings.length < STUDY_READINGS || who === null}
            className="justify-self-start"
          >
            {who === null
              ? "Say who is working above first"
              : readings.length < STUDY_READINGS
                ? `${STUDY_READINGS - readings.length} more to go`
                : `Use it for ${who.name}`}
          </Button>
        </div>
      )}
      {kept.length > 0 && (
        <details className="mt-2">
          <summary className="min-h-11 cursor-pointer py-2">Studies kept: {kept.length}</summary>
          <ul className="text-sm">
            {kept.map(({ id, at, person, instrument: used, readings: taken, repeatability }) => (
              <li key={id}>
                {person}, {instruments.find((one) => one.id === used)?.name ?? used}:{" "}
                {formatMm(repeatability)} mm from {taken.length} readings, <LocalTime iso={at} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

const micro = (value: number): string => `${formatMm(Math.round(value))} mm`;
