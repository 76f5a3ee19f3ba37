"use client";

import { useMemo, useState } from "react";
import { CLEAVE_WAYS, type CleaveFigures, type CleaveWay, cleaveSeries, wayOn } from "@/core";
import { t } from "@/messages/practice";
import { AnswerPicture } from "../shift/answer-picture";
import { exactMm } from "../words/length-text";
import { DrillChoice } from "./drill-choice";
import { type DrillProps, DrillResult } from "./drill-result";

const WAYS: Readonly<Record<CleaveWay, () => string>> = {
  keep: () => t("way-keep"),
  "cleave-again": () => t("way-cleave-again"),
  "strip-further": () => t("way-strip-further"),
};

/** A series of cleaves, each looked at and read: keep it, cleave again, or strip further first. */
export function CleaveDrill({ figures, onAnswer, onNext }: { readonly figures: CleaveFigures } & DrillProps) {
  const series = useMemo(() => cleaveSeries(figures, Math.random), [figures]);
  const [answers, setAnswers] = useState<readonly CleaveWay[]>([]);
  const shot = series[answers.length];
  const rights = answers.filter((way, i) => {
    const each = series[i];
    return each && way === wayOn(each, figures);
  }).length;
  const last = answers.at(-1);
  const before = series[answers.length - 1];
  const pick = (key: string) => {
    const way = CLEAVE_WAYS.find((each) => each === key);
    if (!way || !shot) return;
    const next = [...answers, way];
    setAnswers(next);
    if (next.length === series.length)
      onAnswer(next.every((each, i) => series[i] && each === wayOn(series[i], figures)));
  };
  return (
    <section aria-labelledby="drill">
      <h2 id="drill" className="font-bold text-2xl">
        {t("cleave-of", { n: Math.min(answers.length + 1, series.length), all: series.length })}
      </h2>
      <p className="text-lg">
        {t("cleave-figures", {
          nominal: exactMm(figures.nominal),
          min: exactMm(figures.min),
          max: exactMm(figures.max),
          scrap: exactMm(figures.scrap),
        })}
      </p>
      {shot && (
        <>
          <div className="mt-3 flex flex-wrap items-center gap-x-6">
            <span className="w-52">
              <AnswerPicture question="cleave" answer={shot.face} />
            </span>
            <strong className="figures text-6xl">{exactMm(shot.length)}</strong>
          </div>
          <DrillChoice
            disabled={false}
            choices={CLEAVE_WAYS.map((key) => ({ key, text: WAYS[key]() }))}
            onPick={pick}
          />
        </>
      )}
      {last && before && (
        <p
          role="status"
          className={`mt-3 text-lg ${last === wayOn(before, figures) ? "text-in" : "text-out"}`}
        >
          {last === wayOn(before, figures)
            ? t("cleave-right", { length: exactMm(before.length) })
            : t("cleave-wrong", {
                length: exactMm(before.length),
                was: WAYS[wayOn(before, figures)](),
              })}
        </p>
      )}
      {!shot && (
        <DrillResult
          right={rights === series.length}
          was=""
          more={t("right-of", { right: rights, tried: series.length })}
          onNext={onNext}
        />
      )}
    </section>
  );
}
