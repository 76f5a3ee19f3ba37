"use client";

import { scaleLinear } from "d3-scale";
import { useState } from "react";
import type { RunOnRecord } from "@/core";
import { t } from "@/messages/insight";
import { useWidth } from "../band/use-width";
import { Select } from "../controls/select";
import { usePrefs } from "../prefs/prefs-context";
import { figureText, lengthText } from "../words/length-text";
import { Answer, Card } from "./card";
import { conditionText } from "./conditions";

const FEWEST = 14;
const BASELINE = 10;

const nameOf = ({ of, name, styleName: style, tool, person }: RunOnRecord): string => {
  if (of === "loss") return t("run-of-loss", { wavelength: name, style, source: tool, person });
  if (of === "minutes") return t("run-of-minutes", { style, person });
  if (person === "") return t("run-of-gauge", { name, style, gauge: tool.replaceAll("-", " ") });
  return t("run-name", { name, style, tool: tool.replaceAll("-", " "), person });
};

type LengthUnit = "mm" | "in";

/** A value of a run, with its unit. */
const valueText = ({ of }: RunOnRecord, value: number, units: LengthUnit): string => {
  if (of === "loss") return t("decibels", { value: value.toFixed(2) });
  if (of === "minutes") return t("run-minutes", { value: value.toFixed(1) });
  return lengthText(Math.round(value / 10) * 10, units);
};

/** The same as it stands at the chart. */
const figureOf = ({ of }: RunOnRecord, value: number, units: LengthUnit): string => {
  if (of === "loss") return value.toFixed(2);
  if (of === "minutes") return value.toFixed(1);
  return figureText(Math.round(value / 10) * 10, units);
};

const movedText = ({ of, moved, signal }: RunOnRecord, by: string): string => {
  if (signal === null || moved === null) return t("no-run-moved");
  if (of === "length")
    return moved > 0 ? t("moved-longer", { by, signal }) : t("moved-shorter", { by, signal });
  return moved > 0 ? t("moved-up", { by, signal }) : t("moved-down", { by, signal });
};

/** Card of a length that moved, or did not: since which end, by how much, and what was new about then. */
export function Moved({ runs }: { readonly runs: readonly RunOnRecord[] }) {
  const { prefs } = usePrefs();
  const [at, setAt] = useState("0");
  const run = runs[Number(at)] ?? runs[0];
  const units = prefs.units === "in" ? "in" : "mm";
  if (!run)
    return (
      <Card question={t("moved-question")}>
        <p className="mt-1">{t("too-few-runs", { fewest: FEWEST })}</p>
      </Card>
    );
  const { signal, moved, changed } = run;
  const by = moved === null ? "" : valueText(run, Math.abs(moved), units);
  return (
    <Card question={t("moved-question")} about={nameOf(run)}>
      <Answer answer={movedText(run, by)} />
      <RunChart run={run} units={units} />
      {signal !== null && (
        <p className="font-semibold">
          {changed.length === 0
            ? t("nothing-changed")
            : t("run-changed", {
                changed: changed.map(({ question, value }) => conditionText(question, value)).join(", "),
              })}
        </p>
      )}
      <p className="text-soft text-sm">{t("run-note", { baseline: BASELINE })}</p>
      {runs.length > 1 && (
        <Select
          title={t("which-run")}
          small
          value={at}
          options={runs.map((each, i) => ({ id: String(i), name: nameOf(each) }))}
          onPick={setAt}
          className="no-print mt-2 w-full"
        />
      )}
    </Card>
  );
}

const HEIGHT = 220;
const LEFT = 48;
const RIGHT = 84;

function RunChart({ run, units }: { readonly run: RunOnRecord; readonly units: "mm" | "in" }) {
  const { ref, width } = useWidth<HTMLDivElement>(560);
  const { ends, ewma, lower, upper, mean, min, max, signal } = run;
  const values = ends.map(({ value }) => value);
  const all = [...values, ...upper, ...lower, ...[min, max].flatMap((limit) => limit ?? [])];
  const pad = (Math.max(...all) - Math.min(...all)) * 0.08 || 1;
  const y = scaleLinear([Math.min(...all) - pad, Math.max(...all) + pad], [HEIGHT - 26, 8]);
  const x = scaleLinear([1, Math.max(2, ends.length)], [LEFT + 10, width - RIGHT]);
  const path = (of: readonly number[]) => of.map((value, i) => `${x(i + 1)},${y(value)}`);
  const figure = (value: number) => figureOf(run, value, units);
  const band = `M${path(upper).join(" L")} L${path(lower).reverse().join(" L")} Z`;
  return (
    <div ref={ref} className="mt-2 min-w-0">
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing whose points are links is no fieldset */}
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="block h-auto w-full"
        role="group"
        aria-label={t("run-drawn", { name: nameOf(run) })}
      >
        <path d={band} fill="var(--soft)" opacity="0.18" />
        <path d={`M${LEFT},${y(mean)} H${width - RIGHT}`} stroke="var(--soft)" strokeDasharray="5 4" />
        {[
          { at: min, text: t("limit-least", { length: figure(min ?? 0) }) },
          { at: max, text: t("limit-most", { length: figure(max ?? 0) }) },
        ].map(({ at, text }) =>
          at === null ? null : (
            <g key={text}>
              <path d={`M${LEFT},${y(at)} H${width - RIGHT}`} stroke="var(--in)" strokeWidth="2" />
              <text x={width - RIGHT + 6} y={y(at) + 4} className="fill-in text-xs">
                {text}
              </text>
            </g>
          ),
        )}
        <text x={LEFT - 6} y={y(mean) + 4} textAnchor="end" className="figures fill-ink text-xs">
          {figure(mean)}
        </text>
        {ends.map(({ id, value }, i) => (
          <a key={id} href={`/ledger/${id}`} aria-label={t("end-of-run", { n: i + 1, value: figure(value) })}>
            <circle
              cx={x(i + 1)}
              cy={y(value)}
              r="3.5"
              fill="var(--raised)"
              stroke="var(--ink)"
              strokeWidth="1.4"
            />
          </a>
        ))}
        <path d={`M${path(ewma).join(" L")}`} fill="none" stroke="var(--ink)" strokeWidth="2.4" />
        {signal !== null && (
          <g>
            <path d={`M${x(signal)},6 V${HEIGHT - 26}`} stroke="var(--unsure)" strokeWidth="2" />
            <text x={x(signal) + 5} y={16} className="fill-unsure font-bold text-xs">
              {t("seen-at-end", { signal })}
            </text>
          </g>
        )}
        {x
          .ticks(Math.min(8, ends.length))
          .filter(Number.isInteger)
          .map((tick) => (
            <text
              key={tick}
              x={x(tick)}
              y={HEIGHT - 8}
              textAnchor="middle"
              className="figures fill-soft text-xs"
            >
              {tick}
            </text>
          ))}
      </svg>
    </div>
  );
}
