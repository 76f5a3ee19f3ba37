"use client";

import { scaleBand, scaleLinear } from "d3-scale";
import { useState } from "react";
import type { WeekOnRecord } from "@/core";
import { t } from "@/messages/insight";
import { useWidth } from "../band/use-width";
import { Link } from "../controls/link";
import { Answer, Card } from "./card";
import { conditionText } from "./conditions";

const percent = (share: number): number => Math.round(share * 100);
const yieldOf = ({ first: { good, tried } }: WeekOnRecord): number => (tried === 0 ? 0 : good / tried);

const BESIDE = {
  worse: () => t("week-worse"),
  better: () => t("week-better"),
  alike: () => t("week-alike"),
} as const;

/** A week's yield beside the other weeks', and the conditions that were new in it. */
export function WeekCard({ weeks }: { readonly weeks: readonly WeekOnRecord[] }) {
  const [picked, setPicked] = useState<string | null>(null);
  const at = weeks.find(({ week }) => week === picked) ?? weeks.at(-1);
  if (!at) return null;
  const { from, to, first, beside, fresh } = at;
  return (
    <Card question={t("week-question", { week: at.week })} about={t("week-days", { from, to })}>
      <Answer
        answer={t("week-yield", { percent: percent(yieldOf(at)), tried: first.tried })}
        more={BESIDE[beside]()}
      />
      <WeekChart weeks={weeks} at={at} onPick={setPicked} />
      <Fresh fresh={fresh} />
      <Link
        href={`/ledger?${new URLSearchParams({ from, to })}`}
        className="inline-flex min-h-11 items-center underline"
      >
        {t("week-ends", { count: first.tried })}
      </Link>
    </Card>
  );
}

/** Conditions that are named; the rest are counted. */
const NAMED = 6;

/** Conditions no end before the week had. */
function Fresh({ fresh }: Pick<WeekOnRecord, "fresh">) {
  if (fresh.length === 0) return <p className="font-semibold">{t("week-nothing-new")}</p>;
  return (
    <>
      <h3 className="font-semibold">{t("week-new")}</h3>
      <ul className="list-disc pl-5">
        {fresh.slice(0, NAMED).map(({ question, value }) => (
          <li key={`${question} ${value}`}>{conditionText(question, value)}</li>
        ))}
        {fresh.length > NAMED && <li>{t("week-more", { more: fresh.length - NAMED })}</li>}
      </ul>
    </>
  );
}

const [HEIGHT, FOOT, LEFT] = [150, 22, 40];

interface WeekChartProps {
  readonly weeks: readonly WeekOnRecord[];
  readonly at: WeekOnRecord;
  readonly onPick: (week: string) => void;
}

/** Yield of each week with its interval; a week is picked by touch, or by Tab and Enter. */
function WeekChart({ weeks, at, onPick }: WeekChartProps) {
  const { ref, width } = useWidth<HTMLDivElement>(560);
  const x = scaleBand(
    weeks.map(({ week }) => week),
    [LEFT, width - 8],
  ).padding(0.35);
  const y = scaleLinear([0, 1], [HEIGHT - FOOT, 10]);
  return (
    <div ref={ref} className="relative mt-2 min-w-0">
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        aria-hidden="true"
        className="block h-auto w-full"
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <path d={`M${LEFT},${y(share)} H${width - 8}`} stroke="var(--line)" />
            <text x={LEFT - 6} y={y(share) + 4} textAnchor="end" className="figures fill-soft text-xs">
              {percent(share)}
            </text>
          </g>
        ))}
        {weeks.map((each) => {
          const left = x(each.week) ?? 0;
          const middle = left + x.bandwidth() / 2;
          return (
            <g key={each.week}>
              <path
                d={`M${middle},${y(each.first.least)} V${y(each.first.most)}`}
                stroke={each === at ? "var(--now)" : "var(--ghost)"}
                strokeWidth={Math.min(10, x.bandwidth())}
                opacity="0.6"
              />
              <path
                d={`M${left},${y(yieldOf(each))} h${x.bandwidth()}`}
                stroke={each === at ? "var(--now)" : "var(--ink)"}
                strokeWidth="3"
              />
              <text x={middle} y={HEIGHT - 6} textAnchor="middle" className="figures fill-soft text-xs">
                {each.week.slice(-2)}
              </text>
            </g>
          );
        })}
      </svg>
      <div className="no-print absolute inset-0">
        {weeks.map((each) => (
          <button
            key={each.week}
            type="button"
            aria-label={t("week-bar", {
              week: each.week,
              percent: percent(yieldOf(each)),
              tried: each.first.tried,
            })}
            aria-pressed={each === at}
            onClick={() => onPick(each.week)}
            className="absolute top-0 h-full"
            style={{
              left: `${(((x(each.week) ?? 0) - x.step() * 0.17) / width) * 100}%`,
              width: `${(x.step() / width) * 100}%`,
            }}
          />
        ))}
      </div>
    </div>
  );
}
