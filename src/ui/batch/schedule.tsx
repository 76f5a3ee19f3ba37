"use client";

import { type ScaleLinear, scaleLinear } from "d3-scale";
import type { Schedule, Stage, Worked } from "@/core";
import { t } from "@/messages/batch";
import { useWidth } from "../band/use-width";
import { spanText } from "../words/clock-text";

interface ScheduleProps {
  readonly schedule: Schedule;
  readonly stages: readonly Stage[];
  readonly labels: readonly string[];
  /** The order it was really worked in, so far. */
  readonly worked: readonly Worked[];
  /** The line each end stands at. */
  readonly at: readonly number[];
}

type Scale = ScaleLinear<number, number>;

const ROW = 22;
const LEFT = 132;
const TOP = 34;

const STEPS = [10, 30, 60, 120, 300, 600, 900, 1_800, 3_600, 7_200, 14_400];

/** Round times along the plan, at most so many: every minute, five minutes, half hour. */
function ticksOf(total: number, most: number): number[] {
  const step = STEPS.find((step) => total / step <= most) ?? 28_800;
  return Array.from({ length: Math.floor(total / step) + 1 }, (_, i) => i * step);
}

/** How much of a stage is behind an end that stands at a line: 0 to 1. */
function doneOf(stage: Stage | undefined, at: number): number {
  if (!stage) return 0;
  return Math.min(1, Math.max(0, (at - stage.from) / (stage.to - stage.from + 1)));
}

/** The plan drawn: a row an end, solid where hands are on it, hatched where it waits; what is mixed lies above. */
export function ScheduleDrawn({ schedule, stages, labels, worked, at }: ScheduleProps) {
  const { ref, width } = useWidth<HTMLElement>(1100);
  const { slots, pots, total } = schedule;
  const left = width < 560 ? 76 : LEFT;
  const x = scaleLinear()
    .domain([0, Math.max(total, worked.at(-1)?.to ?? 0)])
    .range([left, width - 16]);
  const pot = pots.length > 0 ? 20 : 0;
  const height = TOP + pot + labels.length * ROW + 8;
  return (
    <figure ref={ref} aria-label={t("who-waits-for-what-and-when")}>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block h-auto w-full"
        aria-hidden="true"
      >
        <defs>
          <pattern
            id="waits"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="6" height="6" fill="var(--note)" />
            <path d="M0,0 V6" stroke="var(--inch)" strokeWidth="2" />
          </pattern>
        </defs>
        <Ticks total={total} width={width} height={height} x={x} />
        <Pots pots={pots} total={total} height={pot} x={x} />
        {labels.map((label, i) => (
          <text
            key={label}
            x={left - 8}
            y={TOP + pot + i * ROW + 15}
            textAnchor="end"
            fontSize="13"
            fill="var(--ink)"
          >
            {label.length * 7 > left ? label.slice(0, Math.floor(left / 8)) : label}
          </text>
        ))}
        <Slots slots={slots} stages={stages} at={at} top={TOP + pot} x={x} />
        {worked.map(({ end, line, from, to }) => (
          <rect
            key={`worked ${end}/${line}`}
            x={x(from)}
            y={TOP + pot + end * ROW + ROW - 7}
            width={Math.max(2, x(to) - x(from))}
            height="5"
            fill="var(--now)"
            stroke="var(--ground)"
            strokeWidth="0.6"
          />
        ))}
      </svg>
      <ScheduleKey mixes={pots.length > 0} worked={worked.length > 0} />
      <ul className="sr-only">
        {labels.map((label, i) => {
          const last = slots.filter(({ end }) => end === i).at(-1);
          return (
            <li key={label}>
              {t("begun-after-ready-after", {
                label,
                spanText: spanText(slots.find(({ end }) => end === i)?.handsFrom ?? 0),
                spanText2: spanText(last?.readyAt ?? 0),
              })}
            </li>
          );
        })}
      </ul>
    </figure>
  );
}

interface TicksProps {
  readonly total: number;
  readonly width: number;
  readonly height: number;
  readonly x: Scale;
}

/** The round times along the plan. */
function Ticks({ total, width, height, x }: TicksProps) {
  return (
    <>
      {" "}
      {ticksOf(total, Math.max(3, Math.round(width / 130))).map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)},${TOP - 6} V${height}`} stroke="var(--line)" />
          <text
            x={x(tick)}
            y={TOP - 12}
            textAnchor="middle"
            fontSize="13"
            fill="var(--soft)"
            className="figures"
          >
            {tick === 0 ? "0" : spanText(tick)}
          </text>
        </g>
      ))}
    </>
  );
}

interface PotsProps {
  readonly pots: Schedule["pots"];
  readonly total: number;
  readonly height: number;
  readonly x: Scale;
}

/** What is mixed, from when to when it lasts. */
function Pots({ pots, total, height, x }: PotsProps) {
  return (
    <>
      {" "}
      {pots.map(({ of, from, until }) => (
        <g key={`${of}${from}`}>
          <rect
            x={x(from)}
            y={TOP}
            width={Math.max(2, x(Math.min(until, total)) - x(from))}
            height={height - 6}
            rx="3"
            fill="none"
            stroke="var(--ink)"
            strokeDasharray="4 3"
          />
          <text x={x(from) + 5} y={TOP + 11} fontSize="11" fill="var(--ink)">
            {of}
          </text>
        </g>
      ))}
    </>
  );
}

interface SlotsProps {
  readonly slots: Schedule["slots"];
  readonly stages: readonly Stage[];
  /** The line each end stands at. */
  readonly at: readonly number[];
  readonly top: number;
  readonly x: Scale;
}

/** A bar for each stage of each end: solid with hands on it, hatched while it waits, green once done. */
function Slots({ slots, stages, at, top, x }: SlotsProps) {
  return (
    <>
      {" "}
      {slots.map(({ end, stage, handsFrom, handsTo, readyAt }) => {
        const y = top + end * ROW;
        const wide = Math.max(1, x(handsTo) - x(handsFrom) - 1);
        return (
          <g key={`${end}/${stage}`}>
            {readyAt > handsTo && (
              <rect
                x={x(handsTo)}
                y={y + 5}
                width={x(readyAt) - x(handsTo)}
                height={ROW - 10}
                fill="url(#waits)"
              />
            )}
            <rect x={x(handsFrom)} y={y + 2} width={wide} height={ROW - 4} rx="2" fill="var(--strong)" />
            <rect
              x={x(handsFrom)}
              y={y + 2}
              width={wide * doneOf(stages[stage], at[end] ?? 0)}
              height={ROW - 4}
              rx="2"
              fill="var(--in)"
            />
          </g>
        );
      })}
    </>
  );
}

interface ScheduleKeyProps {
  readonly mixes: boolean;
  readonly worked: boolean;
}

/** What the bars mean. */
function ScheduleKey({ mixes, worked }: ScheduleKeyProps) {
  return (
    <figcaption className="flex flex-wrap gap-x-5 text-soft text-sm">
      <span>{t("hands-on-it")}</span>
      <span>{t("it-waits-hands-free")}</span>
      {mixes && <span>{t("a-mix-lasts")}</span>}
      <span>{t("green-done")}</span>
      {worked && <span>{t("orange-as-it-was-really-worked")}</span>}
    </figcaption>
  );
}
