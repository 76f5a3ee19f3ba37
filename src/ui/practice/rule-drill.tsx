"use client";

import { scaleLinear } from "d3-scale";
import { type FormEvent, useMemo, useState } from "react";
import { inchRule, mmRule, parseLength, um } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { figureText } from "../words/length-text";
import { type DrillProps, DrillResult } from "./drill-result";

/** An inch in micrometres, and the step a rule is read to in each unit. */
const STEP = { mm: 500, in: 25_400 / 16 } as const;
/** The stretch of the rule that is drawn, micrometres. */
const SHOWN = 80_000;
const WIDTH = 760;

/** A drawn rule with a cable edge on it, to be read to the half millimetre or the sixteenth. */
export function RuleDrill({ unit, onAnswer, onNext }: { readonly unit: "mm" | "in" } & DrillProps) {
  const edge = useMemo(
    () => (8 + Math.floor(Math.random() * (SHOWN / STEP[unit] - 16))) * STEP[unit],
    [unit],
  );
  const [typed, setTyped] = useState("");
  const [problem, setProblem] = useState("");
  const [right, setRight] = useState<boolean | null>(null);
  const check = (event: FormEvent) => {
    event.preventDefault();
    if (right !== null) return;
    const read = parseLength(typed, { unit });
    if (!read.ok) return setProblem(unit === "in" ? t("reading-in") : t("reading-mm"));
    const isRight = Math.abs(read.value.length - edge) <= STEP[unit] / 2;
    setRight(isRight);
    onAnswer(isRight);
  };
  return (
    <section aria-labelledby="drill">
      <h2 id="drill" className="font-bold text-2xl">
        {unit === "in" ? t("read-the-rule-in") : t("read-the-rule-mm")}
      </h2>
      <Rule unit={unit} edge={edge} />
      <form onSubmit={check} className="mt-4 flex flex-wrap items-end gap-3">
        <Field
          title={t("your-reading", { unit })}
          value={typed}
          problem={problem}
          autoFocus
          onChange={({ target }) => {
            setTyped(target.value);
            setProblem("");
          }}
          className="w-40"
        />
        <Button type="submit" look="strong" disabled={right !== null}>
          {t("check")}
        </Button>
      </form>
      {right !== null && (
        <DrillResult right={right} was={figureText(um(Math.round(edge)), unit)} onNext={onNext} />
      )}
    </section>
  );
}

function Rule({ unit, edge }: { readonly unit: "mm" | "in"; readonly edge: number }) {
  const x = scaleLinear([0, SHOWN], [20, WIDTH - 20]);
  const window = { from: um(0), to: um(SHOWN) };
  const ticks = unit === "in" ? inchRule(window) : mmRule(window);
  return (
    <svg viewBox={`0 0 ${WIDTH} 150`} role="img" aria-label={t("rule-drawn")} className="mt-3 h-auto w-full">
      <rect x={x(edge)} y="14" width={WIDTH - x(edge)} height="46" fill="var(--strong)" opacity="0.8" />
      <rect x="0" y="66" width={WIDTH} height="76" fill="var(--raised)" stroke="var(--ink)" />
      {ticks.map(({ at, rank, label }) => (
        <g key={at}>
          <path d={`M${x(at)},66 v${8 + 6 * rank}`} stroke="var(--ink)" strokeWidth={rank === 3 ? 1.8 : 1} />
          {label !== null && (
            <text x={x(at)} y="118" textAnchor="middle" className="figures fill-ink text-base">
              {label}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
