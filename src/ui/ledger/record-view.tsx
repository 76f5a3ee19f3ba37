"use client";

import { useRouter } from "next/navigation";
import {
  drawnEnd,
  type EndRecord,
  endState,
  FAULT_NAMES,
  onLeg,
  type Recorded,
  type RunSheet,
  type WhereTold,
} from "@/core";
import { t } from "@/messages/ledger";
import { PhotoStrip } from "../aids/photo-strip";
import { Band } from "../band/band";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { LightTold } from "../light/light-told";
import { usePrefs } from "../prefs/prefs-context";
import { FarPanel } from "../where/far-panel";
import { confirmationText } from "../words/figures-stand";
import { figureText, limitsText, type Units } from "../words/length-text";
import { LocalTime } from "../words/local-time";
import { OpenList } from "../words/open-list";
import { VerdictSign } from "../words/verdict-sign";
import { otherSideTold, RESULT_WORDS, verdictWords } from "../words/verdict-words";
import { MadeBy } from "./made-by";
import { Redone } from "./redone";
import { Signatures } from "./second-signature";
import { FailedTools, ToolsTold } from "./tools-told";
import { WhatHappened } from "./what-happened";

interface RecordViewProps {
  readonly record: EndRecord;
  /** The sheet it was worked by and its events, drawn and listed. */
  readonly sheet: RunSheet;
  readonly events: readonly Recorded[];
  /** The piece it is an end of as it stands now; null for an end by itself. */
  readonly where: WhereTold | null;
}

/** One end on record: what was asked, whose figures, what was measured with what, by whom and when. */
export function RecordView({ record, sheet, events, where }: RecordViewProps) {
  const drawn = drawnEnd(sheet, endState(events), record.rule);
  const { prefs } = usePrefs();
  const router = useRouter();
  const { signed, result, lengths } = record;
  const readings = lengths.flatMap(({ id, mean, verdict }) => {
    const check = sheet.checks.find((check) => check.id === id);
    return check && mean !== null && verdict ? [{ from: check.from, value: mean, verdict }] : [];
  });
  return (
    <main className="min-w-0 flex-1">
      <RecordHead record={record} />
      {record.unread.length > 0 && (
        <p role="status" className="mx-4 mb-3 rounded-lg border-2 border-unsure p-3 sm:mx-6">
          {t("of-this-end-cannot-be-read", {
            value: record.unread.length === 1 ? t("one-event") : `${record.unread.length} events`,
          })}
        </p>
      )}
      <FailedTools {...record} />
      {signed?.outcome === "kept" && result !== "in" && (
        <div className="px-4 pb-3 sm:px-6">
          <OpenList points={record.open} />
        </div>
      )}
      <Band
        sheet={drawn.sheet}
        planned={drawn.places}
        line={sheet.lines.length}
        lit={[]}
        readings={readings}
      />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-8 px-4 py-5 sm:px-6 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section aria-labelledby="lengths">
          <h2 id="lengths" className="font-bold text-lg">
            {t("lengths")}
          </h2>
          <ul className="divide-y divide-line border-line border-y">
            {lengths.map((length) => (
              <LengthRow
                midRun={record.midRun}
                key={length.id}
                length={length}
                corrections={record.corrections}
                units={prefs.units}
              />
            ))}
          </ul>
          <LightTold {...record} />
          <Looks looks={record.looks} />
          <Faults record={record} />
          <Redone record={record} units={prefs.units} />
          <h2 className="mt-6 mb-2 font-bold text-lg">{t("photographs")}</h2>
          <PhotoStrip end={record.id} photos={record.photos} onAdded={() => router.refresh()} />
        </section>
        <section aria-labelledby="made-by">
          <MadeBy record={record} units={prefs.units} />
          <ToolsTold {...record} />
          <Signatures record={record} after={events.at(-1)?.seq ?? 0} />
          {where && <FarPanel where={where} />}
          <WhatHappened end={record.id} sheet={sheet} events={events} />
        </section>
      </div>
    </main>
  );
}

/** What a record is to be had as. */
const FILES = [
  { path: "pdf?form=page", label: () => t("pdf-one-page") },
  { path: "pdf", label: () => t("pdf-whole-log") },
  { path: "record", label: () => t("json") },
];

/** What the end is called, what it came to, and the record as a file. */
function RecordHead({ record }: Pick<RecordViewProps, "record">) {
  const { signed, result } = record;
  return (
    <header className="flex flex-wrap items-center gap-3 px-4 py-4 sm:px-6">
      <h1 className="mr-auto flex min-w-0 items-center gap-3 wrap-anywhere font-bold text-2xl">
        <VerdictSign verdict={result} large />
        <span className="min-w-0 wrap-anywhere">
          {[record.job, record.label].filter(Boolean).join(" · ") || t("end-not-named")}
          <span className="block font-normal text-base text-soft">
            {record.purpose === "practice" && t("practice-not-in-the-ledger")}
            {signed ? RESULT_WORDS[result] : t("still-at-the-bench")}
            {signed && (
              <>
                {t("signed-off-by-2", { name: signed.name })}
                {signed.called && signed.called !== signed.name && t("now", { called: signed.called })},{" "}
                <LocalTime iso={signed.at} />
              </>
            )}
          </span>
        </span>
      </h1>
      {!signed && (
        <Link
          href={`/bench/${record.id}`}
          className="no-print flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now"
        >
          {t("go-on-at-the-bench")}
        </Link>
      )}
      {FILES.map(({ path, label }) => (
        <a
          key={path}
          href={`/api/v1/ends/${record.id}/${path}`}
          className="no-print flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
        >
          {label()}
        </a>
      ))}
      <a
        href={`/api/v1/proof?end=${record.id}`}
        download
        className="no-print flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
      >
        {t("proof")}
      </a>
      <Button onClick={() => window.print()} className="no-print">
        {t("print")}
      </Button>
    </header>
  );
}

interface LengthRowProps {
  readonly midRun: boolean;
  readonly length: EndRecord["lengths"][number];
  readonly corrections: EndRecord["corrections"];
  readonly units: Units;
}

function LengthRow({ midRun, length, corrections, units }: LengthRowProps) {
  const {
    name,
    leg,
    min,
    max,
    otherSide,
    representative,
    confirmation,
    verdict,
    probability,
    mean,
    u,
    readings,
  } = length;
  const words =
    verdict && mean !== null && u !== null && probability !== null
      ? verdictWords({ min, max, ifLong: "", ifShort: "" }, { verdict, mean, u, probability }, units)
      : null;
  return (
    <li className="grid gap-1 py-2 sm:grid-cols-[1fr_1fr] sm:gap-4">
      <span className="flex items-start gap-2">
        <VerdictSign verdict={verdict ?? "unmeasured"} />
        <span>
          {name}
          {onLeg(leg, midRun)}
          <span className="block text-soft text-sm">
            {t("limits")}{" "}
            <span className={representative ? "representative" : ""}>{limitsText(min, max, units)}</span>
            {otherSide !== null && `, ${otherSideTold(otherSide)}`}
            {confirmation && (
              <span className="block">
                {t("figure", { confirmationText: confirmationText(confirmation) })}
              </span>
            )}
          </span>
        </span>
      </span>
      <span>
        {words ? (
          <>
            <strong>{words.word}</strong> {words.by} · {words.sure}
          </>
        ) : (
          t("not-measured")
        )}
        <span className="block text-soft text-sm">
          {readings.map(({ id, value, instrument }, i) => (
            <span key={id}>
              {i > 0 && "; "}
              <span className="figures">{figureText(value, units)}</span>{" "}
              {t("by", { toLowerCase: instrument.toLowerCase() })}
              {corrections
                .filter(({ corrects }) => corrects === id)
                .map(({ says: message, why, name: by }) => (
                  <strong key={`${message} ${why}`} className="block text-unsure">
                    {t("corrected-by", { by, says: message, why })}
                  </strong>
                ))}
            </span>
          ))}
        </span>
      </span>
    </li>
  );
}

function Looks({ looks }: { looks: EndRecord["looks"] }) {
  if (looks.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 font-bold text-lg">{t("what-was-seen")}</h2>
      <ul className="divide-y divide-line border-line border-y">
        {looks.map(({ id, asks, sees, good, colours }) => (
          <li key={id} className="flex items-start gap-2 py-2">
            <VerdictSign verdict={good === null ? "unmeasured" : good ? "in" : "out"} />
            <span>
              {asks} <strong>{sees ?? t("not-answered")}</strong>
              {colours.length > 0 && (
                <span className="block text-soft text-sm">
                  {t("seen-in-the-hand", { value: colours.join("; ") })}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

function Faults({ record: { faults, midRun } }: { record: Pick<EndRecord, "faults" | "midRun"> }) {
  if (faults.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 font-bold text-lg">{t("faults-seen")}</h2>
      <ul className="divide-y divide-line border-line border-y">
        {faults.map(({ at, what: fault, name, leg, stands }) => (
          <li key={`${at} ${fault} ${name} ${leg}`} className="flex items-start gap-2 py-2">
            <VerdictSign verdict={stands ? "out" : "unmeasured"} />
            <span>
              <strong>{FAULT_NAMES[fault]}</strong>, {name}
              {onLeg(leg, midRun)}
              <span className="block text-soft text-sm">
                <LocalTime iso={at} />
                {!stands && t("made-anew-or-taken-back-since")}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
