"use client";

import { X } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import {
  FEWEST_READINGS,
  type Instrument,
  type Length,
  parseLength,
  repeatabilityOf,
  STUDY_READINGS,
  um,
} from "@/core";
import { t } from "@/messages/setup";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Input } from "../controls/input";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { usePrefs } from "../prefs/prefs-context";
import { ProgressBar } from "../shell/progress-bar";
import { exactMm } from "../words/length-text";
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
  readonly studies: readonly KeptStudy[];
}

/** One piece measured ten times: how this instrument repeats in this hand, used from then on. */
export function Study({ instruments, instrument, studies }: StudyProps) {
  const { prefs } = usePrefs();
  const { who } = usePeople();
  const [readings, setReadings] = useState<readonly Length[]>([]);
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const [saved, setKept] = useState(studies);
  const match = readings.length >= FEWEST_READINGS ? repeatabilityOf(readings) : null;
  const latest = saved.find(
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
    const answer = await call("post /studies", {
      body: {
        person: who.id,
        instrument: instrument.id,
        readings: readings.map((value) => value / 1000),
      },
    });
    if (!answer.ok) {
      setProblem(answer.problem.message);
      return;
    }
    setKept([answer.value, ...saved]);
    setReadings([]);
    toast(
      t("kept-repeats-mm-in-s-hand", {
        name: instrument.name,
        formatMm: exactMm(answer.value.repeatability),
        name2: who.name,
      }),
    );
  };
  return (
    <div>
      <h2 className="mb-2 font-bold text-lg">{t("how-well-do-you-repeat")}</h2>
      <AboutStudy instrument={instrument} latest={latest} />
      <ReadingForm
        count={readings.length}
        text={text}
        isRefused={problem !== ""}
        onText={setText}
        onAdd={add}
      />
      <p id="study-problem" role="alert" className="text-out">
        {problem}
      </p>
      {readings.length > 0 && (
        <ReadingsTaken
          readings={readings}
          stray={match?.stray ?? null}
          instrument={instrument}
          onDrop={(at) => setReadings(readings.filter((_, i) => i !== at))}
        />
      )}
      {match && (
        <Repeats
          match={match}
          count={readings.length}
          instrument={instrument}
          name={who?.name ?? null}
          onKeep={keep}
        />
      )}
      {saved.length > 0 && <SavedStudies saved={saved} instruments={instruments} />}
    </div>
  );
}

/** What to measure, and what this person's latest study of the instrument gave. */
const AboutStudy = ({ instrument, latest }: { instrument: Instrument; latest: KeptStudy | undefined }) => (
  <p className="mb-2 text-soft">
    {t("measure-one-piece-times-with-the", {
      study_readings: STUDY_READINGS,
      toLowerCase: instrument.name.toLowerCase(),
    })}
    {latest && (
      <>
        {" "}
        {t("yours-stands-at-mm", { formatMm: exactMm(latest.repeatability) })}
        <LocalTime iso={latest.at} />
        ).
      </>
    )}
  </p>
);

interface ReadingFormProps {
  readonly count: number;
  readonly text: string;
  readonly isRefused: boolean;
  readonly onText: (text: string) => void;
  readonly onAdd: () => void;
}

/** The field for the next reading. */
function ReadingForm({ count, text, isRefused, onText, onAdd }: ReadingFormProps) {
  const { prefs } = usePrefs();
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "") onAdd();
      }}
    >
      <label className="grid gap-0.5">
        <span className="text-soft text-sm">
          {t("reading-of", {
            min: Math.min(count + 1, STUDY_READINGS),
            study_readings: STUDY_READINGS,
            value: prefs.units === "in" ? "in" : "mm",
          })}
        </span>
        <Input
          value={text}
          onChange={(event) => onText(event.target.value)}
          maxLength={40}
          autoComplete="off"
          aria-invalid={isRefused}
          aria-describedby="study-problem"
          strong
          className="figures w-44 text-xl"
        />
      </label>
      <Button type="submit">{t("add")}</Button>
      <span className="self-center">
        <ProgressBar value={count} most={STUDY_READINGS} name={t("readings-taken")} />
      </span>
    </form>
  );
}

interface ReadingsTakenProps {
  readonly readings: readonly Length[];
  /** The one that stands off the rest, by its place. */
  readonly stray: number | null;
  readonly instrument: Instrument;
  readonly onDrop: (at: number) => void;
}

function ReadingsTaken({ readings, stray, instrument, onDrop }: ReadingsTakenProps) {
  return (
    <ul aria-label={t("readings-of-the-piece")} className="mt-2 flex flex-wrap gap-1.5">
      {readings.map((value, i) => (
        <li
          // biome-ignore lint/suspicious/noArrayIndexKey: equal readings are told apart by their place only
          key={i}
          className={`flex items-center rounded-md border pl-3 ${stray === i ? "border-2 border-out" : "border-line"}`}
        >
          <span className="figures">{(value / 1000).toFixed(instrument.resolution < 100 ? 2 : 1)}</span>
          <IconButton name={t("take-out-reading", { value: i + 1 })} onClick={() => onDrop(i)}>
            <X aria-hidden="true" className="size-4" />
          </IconButton>
        </li>
      ))}
    </ul>
  );
}

interface RepeatsProps {
  readonly match: ReturnType<typeof repeatabilityOf>;
  readonly count: number;
  readonly instrument: Instrument;
  /** Whose hand it is; null where nobody is named. */
  readonly name: string | null;
  readonly onKeep: () => void;
}

/** How well the readings repeat, and the way to use it from here on. */
function Repeats({ match, count, instrument, name, onKeep }: RepeatsProps) {
  return (
    <div role="status" className="mt-2 grid gap-1">
      <p>
        {t("repeats")} <strong>{t("mm", { formatMm: exactMm(match.repeatability) })}</strong>{" "}
        {t("95-to-mean-mm-the-shelf", {
          micro: micro(match.low),
          micro2: micro(match.high),
          formatMm: exactMm(Math.round(match.mean)),
          formatMm2: exactMm(instrument.repeatability),
        })}
      </p>
      {match.stray !== null && (
        <p className="font-semibold text-out">
          {t("reading-stands-off-the-rest-a", { value: match.stray + 1 })}
        </p>
      )}
      <Button
        look="strong"
        onClick={onKeep}
        disabled={count < STUDY_READINGS || name === null}
        className="justify-self-start"
      >
        {name === null
          ? t("say-who-is-working-above-first")
          : count < STUDY_READINGS
            ? t("more-to-go", { value: STUDY_READINGS - count })
            : t("use-it-for", { name: name })}
      </Button>
    </div>
  );
}

function SavedStudies({
  saved,
  instruments,
}: {
  saved: readonly KeptStudy[];
  instruments: readonly Instrument[];
}) {
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2">
        {t("studies-kept", { length: saved.length })}
      </summary>
      <ul className="text-sm">
        {saved.map(({ id, at, person, instrument: used, readings: taken, repeatability }) => (
          <li key={id}>
            {t("mm-from-readings", {
              person,
              value: instruments.find((instrument) => instrument.id === used)?.name ?? used,
              formatMm: exactMm(repeatability),
              length: taken.length,
            })}{" "}
            <LocalTime iso={at} />
          </li>
        ))}
      </ul>
    </details>
  );
}

const micro = (value: number): string => `${exactMm(Math.round(value))} mm`;
