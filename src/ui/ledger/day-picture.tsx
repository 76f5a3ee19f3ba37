"use client";

import { scaleUtc } from "d3-scale";
import { Check, CircleHelp, Scissors, X } from "lucide-react";
import { useId } from "react";
import type { Result } from "@/core";
import { t } from "@/messages/ledger";
import { clock } from "@/messages/numbers";
import { useWidth } from "../band/use-width";
import { Link } from "../controls/link";
import { RESULT_WORDS } from "../words/verdict-words";

/** An end as a bar: when it was begun and signed, and when its last attempt began. */
interface DayEnd {
  readonly id: string;
  readonly job: string;
  readonly label: string;
  readonly result: Result | null;
  readonly begun: string;
  readonly signed: string;
  readonly again: string | null;
}

interface DayPictureProps {
  readonly people: readonly { readonly name: string; readonly ends: readonly DayEnd[] }[];
  readonly more: number;
}

const LANE = 22;
const ROW_GAP = 8;
const HOURS = 22;
/** An end on the bench longer than this is drawn from this long before its sign-off. */
const LONGEST_MS = 10 * 3_600_000;
const HOUR_MS = 3_600_000;
/** Ends of one person at once that have lanes of their own. */
const LANES = 4;

/** The ends of a day along its hours, a row a person: begun, tried again, signed off. */
export function DayPicture({ people, more }: DayPictureProps) {
  const { ref, width } = useWidth<HTMLElement>(1_180);
  const hatch = useId();
  const rows = people.map(({ name, ends }) => ({ name, ...lanesOf(ends) }));
  if (rows.every(({ bars }) => bars.length === 0)) return null;
  const { x, left, hours } = hoursOf(
    rows.flatMap(({ bars }) => bars),
    width,
  );
  let top = 8;
  const placed = rows.map((row) => {
    const y = top;
    top += row.lanes * LANE + ROW_GAP;
    return { ...row, y };
  });
  const height = top + HOURS;
  return (
    <figure ref={ref} aria-label={t("the-day-drawn")} className="border-line border-y bg-raised">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block h-auto w-full"
        role="group"
        aria-label={t("ends-of-the-day")}
      >
        <defs>
          <pattern
            id={hatch}
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0,0 V6" stroke="var(--soft)" strokeWidth="1.6" />
          </pattern>
        </defs>
        {hours.map((hour) => (
          <Hour key={hour} at={hour} x={x(hour)} height={top} />
        ))}
        {placed.map(({ name, bars, y }) => (
          <g key={name}>
            <text x={12} y={y + 15} className="fill-ink text-sm">
              {name.length > left / 8 ? `${name.slice(0, Math.floor(left / 8) - 1)}…` : name}
            </text>
            {bars.map((bar) => (
              <Bar
                key={bar.end.id}
                end={bar.end}
                x={x(bar.begun)}
                split={bar.again === null ? null : x(bar.again)}
                width={Math.max(7, x(bar.signed) - x(bar.begun))}
                y={y + bar.lane * LANE}
                hatch={hatch}
              />
            ))}
          </g>
        ))}
      </svg>
      {more > 0 && (
        <figcaption className="px-3 pb-2 text-soft text-sm">{t("more-ends-not-drawn", { more })}</figcaption>
      )}
    </figure>
  );
}

/** The scale of a day's hours across a width, its left edge, and the hours that are written. */
function hoursOf(bars: readonly { readonly begun: number; readonly signed: number }[], width: number) {
  const left = Math.min(150, Math.max(90, width * 0.16));
  const from = Math.floor(Math.min(...bars.map(({ begun }) => begun)) / HOUR_MS) * HOUR_MS;
  const to = Math.max(
    from + HOUR_MS,
    Math.ceil(Math.max(...bars.map(({ signed }) => signed)) / HOUR_MS) * HOUR_MS,
  );
  const count = (to - from) / HOUR_MS;
  const every = Math.ceil(count / Math.max(2, (width - left) / 60));
  return {
    left,
    x: scaleUtc([from, to], [left, width - 28]),
    hours: Array.from({ length: Math.floor(count / every) + 1 }, (_, i) => from + i * every * HOUR_MS),
  };
}

interface HourProps {
  readonly at: number;
  readonly x: number;
  readonly height: number;
}

const Hour = ({ at, x, height }: HourProps) => (
  <g aria-hidden="true">
    <path d={`M${x},0 V${height}`} stroke="var(--line)" />
    <text
      x={x}
      y={height + 14}
      textAnchor="middle"
      className="figures fill-soft text-xs"
      suppressHydrationWarning
    >
      {clock(new Date(at))}
    </text>
  </g>
);

/** One person's ends, each in the first lane that is free when it begins; the last lane takes what is left. */
function lanesOf(ends: readonly DayEnd[]) {
  const busy: number[] = [];
  const bars = ends.map((end) => {
    const signed = Date.parse(end.signed);
    const begun = Math.max(Date.parse(end.begun), signed - LONGEST_MS);
    const again = end.again === null ? null : Math.min(signed, Math.max(begun, Date.parse(end.again)));
    const free = busy.findIndex((until) => until <= begun);
    const lane = Math.min(LANES - 1, free === -1 ? busy.length : free);
    busy[lane] = Math.max(busy[lane] ?? 0, signed);
    return { end, begun, signed, again, lane };
  });
  return { bars, lanes: Math.max(1, busy.length) };
}

const TONES: Readonly<Record<Result, { fill: string; line: string; icon: typeof Check | null }>> = {
  in: { fill: "var(--in-wash)", line: "var(--in)", icon: Check },
  out: { fill: "var(--ground)", line: "var(--out)", icon: X },
  unsure: { fill: "var(--ground)", line: "var(--unsure)", icon: CircleHelp },
  unmeasured: { fill: "var(--ground)", line: "var(--soft)", icon: null },
  "cut-off": { fill: "var(--ground)", line: "var(--soft)", icon: Scissors },
  discarded: { fill: "var(--ground)", line: "var(--soft)", icon: null },
};

interface BarProps {
  readonly end: DayEnd;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  /** Begin of the last attempt; null for the first. */
  readonly split: number | null;
  readonly hatch: string;
}

/** One end: hatched up to its last attempt, or as a whole where it was cut off; its result as a colour and a shape. */
function Bar({ end, x, width, y, split, hatch }: BarProps) {
  const result = end.result ?? "unmeasured";
  const { fill, line, icon: Icon } = TONES[result];
  const hatched = result === "cut-off" ? width : split === null ? 0 : split - x;
  const words = t("end-of-the-day", {
    end: [end.job, end.label].filter(Boolean).join(", ") || t("not-named"),
    result: RESULT_WORDS[result],
    begun: clock(new Date(end.begun)),
    signed: clock(new Date(end.signed)),
  });
  return (
    <Link href={`/ledger/${end.id}`} aria-label={words} suppressHydrationWarning>
      <title suppressHydrationWarning>{words}</title>
      <rect x={x} y={y} width={width} height={LANE - 4} rx="3" fill={fill} stroke={line} strokeWidth="1.6" />
      {hatched > 0 && (
        <rect
          x={x}
          y={y}
          width={Math.max(2, hatched)}
          height={LANE - 4}
          rx="3"
          fill={`url(#${hatch})`}
          stroke={line}
        />
      )}
      {Icon && width >= 16 && (
        <Icon
          x={
            x +
            hatched * (result === "cut-off" ? 0 : 1) +
            (width - hatched * (result === "cut-off" ? 0 : 1)) / 2 -
            6
          }
          y={y + 3}
          width={12}
          height={12}
          strokeWidth={3.4}
          color={line}
          aria-hidden="true"
        />
      )}
    </Link>
  );
}
