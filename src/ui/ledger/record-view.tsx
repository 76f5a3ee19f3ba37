"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import {
  endState,
  judgementOf,
  mendedSheet,
  openPoints,
  type Recorded,
  type Rule,
  type RunSheet,
  resultOf,
  type Source,
  standings,
  usedOn,
} from "@/core";
import { Band } from "../band/band";
import { PhotoStrip } from "../photos/photo-strip";
import { usePrefs } from "../prefs/prefs-context";
import { coreText, figureText, limitsText } from "../words/length-text";
import { LocalTime } from "../words/local-time";
import { OpenList } from "../words/open-list";
import { VerdictSign } from "../words/verdict-sign";
import { RESULT_WORDS, verdictWords } from "../words/verdict-words";
import { Redone } from "./redone";
import { WhatHappened } from "./what-happened";

interface RecordedEnd {
  readonly id: string;
  readonly createdAt: string;
  readonly rule: Rule;
  readonly source: Source;
  readonly sheet: RunSheet;
  readonly entries: readonly Recorded[];
  readonly hash: string;
}

/** One end on record: what was asked, whose figures, what was measured with what, by whom and when. */
export function RecordView({ end }: { end: RecordedEnd }) {
  const { sheet, rule, source, entries } = end;
  const { prefs } = usePrefs();
  const router = useRouter();
  const state = endState(entries);
  const result = resultOf(sheet, state, rule);
  const all = standings(sheet, state, rule);
  const used = usedOn(entries);
  const readings = all.flatMap(({ check, judged }) =>
    judged ? [{ from: check.from, value: judged.mean, verdict: judged.verdict }] : [],
  );
  return (
    <main className="min-w-0 flex-1">
      <header className="flex flex-wrap items-center gap-3 px-4 py-4 sm:px-6">
        <h1 className="mr-auto flex min-w-0 items-center gap-3 wrap-anywhere font-bold text-2xl">
          <VerdictSign verdict={result} large />
          <span className="min-w-0 wrap-anywhere">
            {[state.job, state.label].filter(Boolean).join(" · ") || "End not named"}
            <span className="block font-normal text-base text-soft">
              {state.signed ? RESULT_WORDS[result] : "Still at the bench"}
              {state.signed && (
                <>
                  , signed off by {state.signed.name}, <LocalTime iso={state.signed.at} />
                </>
              )}
            </span>
          </span>
        </h1>
        {!state.signed && (
          <Link
            href={`/bench/${end.id}`}
            className="no-print flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now"
          >
            Go on at the bench
          </Link>
        )}
        <a
          href={`/api/v1/ends/${end.id}/pdf`}
          className="no-print flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
        >
          PDF
        </a>
        <a
          href={`/api/v1/ends/${end.id}/record`}
          className="no-print flex min-h-12 items-center rounded-lg border-2 border-ink px-4 font-semibold"
        >
          JSON
        </a>
        <button
          type="button"
          onClick={() => window.print()}
          className="no-print min-h-12 rounded-lg border-2 border-ink px-4 font-semibold"
        >
          Print
        </button>
      </header>
      {state.signed?.outcome === "kept" && result !== "in" && (
        <div className="px-4 pb-3 sm:px-6">
          <OpenList points={openPoints(sheet, state, rule)} />
        </div>
      )}
      <Band sheet={mendedSheet(sheet, state)} line={sheet.lines.length} lit={[]} readings={readings} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-8 px-4 py-5 sm:px-6 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section aria-labelledby="lengths">
          <h2 id="lengths" className="font-bold text-lg">
            Lengths
          </h2>
          <ul className="divide-y divide-line border-line border-y">
            {all.map(({ check, judged, readings: read }) => {
              const words = judged && verdictWords(check, judged, prefs.units);
              return (
                <li key={check.id} className="grid gap-1 py-2 sm:grid-cols-[1fr_1fr] sm:gap-4">
                  <span className="flex items-start gap-2">
                    <VerdictSign verdict={judged?.verdict ?? "unmeasured"} />
                    <span>
                      {check.name}
                      {check.leg && `, leg ${check.leg}`}
                      <span className="block text-soft text-sm">
                        limits{" "}
                        <span className={check.representative ? "representative" : ""}>
                          {limitsText(check.min, check.max, prefs.units)}
                        </span>
                      </span>
                    </span>
                  </span>
                  <span>
                    {words ? (
                      <>
                        <strong>{words.word}</strong> {words.by} · {words.sure}
                      </>
                    ) : (
                      "Not measured"
                    )}
                    <span className="block text-soft text-sm">
                      {read.map(({ id, value, instrument }, i) => (
                        <span key={id}>
                          {i > 0 && "; "}
                          <span className="figures">{figureText(value, prefs.units)}</span> by{" "}
                          {instrument.name.toLowerCase()}
                          {correctionsOf(entries, id).map(({ says, why, name }) => (
                            <strong key={`${says} ${why}`} className="block text-unsure">
                              Corrected by {name}: {says} ({why})
                            </strong>
                          ))}
                        </span>
                      ))}
                    </span>
                  </span>
                </li>
              );
            })}
          </ul>
          <Looks sheet={sheet} answers={state.answers} />
          <Redone sheet={sheet} entries={entries} units={prefs.units} />
          <h2 className="mt-6 mb-2 font-bold text-lg">Photographs</h2>
          <PhotoStrip end={end.id} photos={state.photos} onAdded={() => router.refresh()} />
        </section>
        <section aria-labelledby="made-by">
          <h2 id="made-by" className="font-bold text-lg">
            Made by
          </h2>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            <Fact name="Style">
              {[sheet.procedure.name, ...sheet.as].join(" · ")}, revision {sheet.procedure.revision}
            </Fact>
            <Fact name="Cable">
              {sheet.cable.name}, revision {sheet.cable.revision}, {coreText(sheet.picked.core)}
            </Fact>
            <Fact name="Figures">
              <span className={source.kind === "representative" ? "representative" : ""}>
                {source.kind === "representative"
                  ? "Representative, not confirmed against the part's sheet"
                  : "The user's own"}
              </span>{" "}
              ({source.date})
            </Fact>
            <Fact name="Judged by">
              {rule.kind === "simple"
                ? "The mean alone"
                : `Probability, at most ${rule.risk * 100} % risk either way`}
            </Fact>
            {Object.keys(state.redone).length > 0 && (
              <Fact name="Tried again">
                {Object.entries(state.redone)
                  .map(
                    ([id, count]) => `${sheet.retries.find((one) => one.id === id)?.name ?? id} ${count} ×`,
                  )
                  .join(", ")}
              </Fact>
            )}
            {state.shards.made > 0 && (
              <Fact name="Shards">
                {state.shards.made} off, {state.shards.binned} in the bin
                {state.signed?.missingShards && `; missing: ${state.signed.missingShards}`}
              </Fact>
            )}
            {used.length > 0 && (
              <Fact name="Used">{used.map(({ item, count }) => `${count} × ${item}`).join(", ")}</Fact>
            )}
            {sheet.parts.length > 0 && (
              <Fact name="Threaded on">
                {sheet.parts
                  .filter(({ id }) => state.threaded.includes(id))
                  .map(({ name }) => name)
                  .join(", ") || "Nothing"}
              </Fact>
            )}
            {(state.lost > 0 || state.spare !== null) && (
              <Fact name="Cable used up">
                {figureText(state.lost, prefs.units)} by redo
                {state.spare !== null && `, ${figureText(state.spare, prefs.units)} left to spare`}
              </Fact>
            )}
            <Fact name="Check figure">
              <span className="figures wrap-anywhere text-sm">{end.hash.slice(0, 16)}</span>
            </Fact>
            <Fact name="Begun">
              <LocalTime iso={end.createdAt} />
            </Fact>
          </dl>
          <WhatHappened end={end.id} sheet={sheet} entries={entries} />
        </section>
      </div>
    </main>
  );
}

/** What was put right of one entry since, oldest first. */
const correctionsOf = (entries: readonly Recorded[], id: string) =>
  entries.flatMap(({ entry }) => (entry.kind === "correction" && entry.corrects === id ? [entry] : []));

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="min-w-0 wrap-anywhere">{children}</dd>
    </>
  );
}

function Looks({ sheet, answers }: { sheet: RunSheet; answers: Readonly<Record<string, string>> }) {
  const judgements = sheet.lines.flatMap(({ step }) => judgementOf(step) ?? []);
  if (judgements.length === 0) return null;
  return (
    <>
      <h2 className="mt-6 font-bold text-lg">What was seen</h2>
      <ul className="divide-y divide-line border-line border-y">
        {judgements.map(({ id, asks, answers: offered }) => {
          const given = offered.find((one) => one.id === answers[id]);
          return (
            <li key={id} className="flex items-start gap-2 py-2">
              <VerdictSign verdict={given ? (given.good ? "in" : "out") : "unmeasured"} />
              <span>
                {asks} <strong>{given?.sees ?? "Not answered"}</strong>
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
