"use client";

import { Command } from "cmdk";
import type { ReactNode } from "react";
import { misfits } from "@/core";
import { t } from "@/messages/home";
import { bandScale } from "../band/scale";
import { ScaledEnd } from "../band/scaled-end";
import { pairKey, type SmallEnd } from "../band/small-end";
import { Tape } from "../band/tape";
import { usePrefs } from "../prefs/prefs-context";
import { coreText, figureText, lengthText } from "../words/length-text";
import type { FoundEnd } from "./find-ends";

type Ends = Readonly<Record<string, SmallEnd>>;

const LEFT = 24;
const TAIL = 60;
const ROW = 60;
const FIRST = 108;
/** Thickness is drawn so many times the scale of lengths. */
const TIMES = 1.5;
/** The longest end drawn whole; a longer one runs out of the drawing. */
const LONGEST_MM = 130;

/** As wide as a phone leaves, or half of a desk. */
const widthOf = (room: number): number => (room < 640 ? room - 40 : Math.min(620, room * 0.52));

/** How far an end is worked on, micrometres: to its rearmost edge. */
const workedTo = ({ layers }: SmallEnd): number => Math.max(0, ...layers.map(({ from }) => from));

/** The scale all rows are drawn to: the longest of them fills the drawing. */
function scaleOf(rows: readonly FoundEnd[], ends: Ends, room: number) {
  const drawn = rows.flatMap(({ cable, style }) => ends[pairKey(cable.id, style.id)] ?? []);
  const longest = Math.max(30, ...drawn.map((end) => Math.min(LONGEST_MM, workedTo(end) / 1000)));
  const width = widthOf(room);
  return { width, longest, pxPerMm: (width - LEFT - TAIL) / longest };
}

interface FoundRowsProps {
  readonly rows: readonly FoundEnd[];
  /** How many of them answer all that was asked: they come first. */
  readonly fits: number;
  readonly ends: Ends;
  readonly room: number;
  readonly onPick: (end: FoundEnd) => void;
}

/** What was found, each as its finished end to one scale; the one that Enter takes is the largest. */
export function FoundRows({ rows, fits, ends, room, onPick }: FoundRowsProps) {
  const { width, pxPerMm } = scaleOf(rows, ends, room);
  const { prefs } = usePrefs();
  return rows.map((row, i) => {
    const { cable, style, choices, differs } = row;
    const key = pairKey(cable.id, style.id);
    const end = ends[key];
    const isFirst = i === 0;
    const height = isFirst ? FIRST : ROW;
    const options = style.choices.flatMap(
      ({ id, options: all }) => all.find((option) => option.id === choices[id])?.name ?? [],
    );
    return (
      <Command.Item
        key={key}
        value={key}
        onSelect={() => onPick(row)}
        className="flex cursor-pointer flex-wrap items-center gap-x-6 gap-y-1 border-line border-b border-l-4 border-l-transparent px-4 py-1 data-[selected=true]:border-l-now data-[selected=true]:bg-raised sm:px-11"
      >
        <svg
          width={width}
          height={height}
          viewBox={`0 0 ${width} ${height}`}
          aria-hidden="true"
          className="max-w-full shrink-0"
        >
          {end && (
            <g transform={`translate(0, ${isFirst ? 34 : 0})`}>
              <ScaledEnd
                end={end}
                pxPerMm={pxPerMm}
                times={TIMES}
                left={LEFT}
                width={width}
                height={isFirst ? height - 34 : height}
              />
            </g>
          )}
          {isFirst && end && <Marks end={end} pxPerMm={pxPerMm} width={width} units={prefs.units} />}
        </svg>
        <span className="min-w-0 flex-1">
          <span className={`block font-bold leading-tight ${isFirst ? "text-xl" : "text-lg"}`}>
            {[style.name, ...options].join(" · ")}
          </span>
          <span className="block text-soft">
            {cable.name}, {coresOf(row)}
          </span>
          {isFirst && end && (
            <span className="figures block text-soft">
              {t("of-cable", {
                lengthText: lengthText(end.uses, prefs.units === "in" ? "in" : "mm", end.usesTolerance),
              })}
            </span>
          )}
        </span>
        {isFirst && i < fits ? (
          <span className="hidden rounded-lg bg-now px-6 py-2 text-center font-bold text-lg text-on-now leading-tight sm:block">
            {t("open-the-sheet")} <span className="block font-normal text-sm">{t("enter")}</span>
          </span>
        ) : (
          <span className="text-right text-soft">{differs}</span>
        )}
      </Command.Item>
    );
  });
}

const coresOf = ({ cable, style }: FoundEnd): string =>
  cable.cores
    .filter((core) => misfits(style, cable, core).length === 0)
    .slice(0, 1)
    .map(coreText)
    .join("");

interface MarksProps {
  readonly end: SmallEnd;
  readonly pxPerMm: number;
  readonly width: number;
  readonly units: "mm" | "in" | "both";
}

/** Room a figure takes, pixels: one that would stand in another is left out. */
const APART = 50;

function Marks({ end, pxPerMm, width, units }: MarksProps) {
  const places = end.marks
    .filter(({ at }) => at > 0)
    .map((mark) => ({ ...mark, x: LEFT + (mark.at / 1000) * pxPerMm }))
    .filter(({ x }) => x < width - 20);
  const shown: typeof places = [];
  for (const place of places) if (place.x - (shown.at(-1)?.x ?? -APART) >= APART) shown.push(place);
  return shown.map(({ at, x, tolerance, representative }) => (
    <g key={at}>
      <line x1={x} x2={x} y1={16} y2={60} stroke="var(--ink)" strokeDasharray="2 3" />
      <circle cx={x} cy={12} r={4} fill="var(--ink)" />
      <text x={x + 8} y={17} className="figures fill-ink font-bold text-base">
        {figureText(at, units === "in" ? "in" : "mm", tolerance)}
      </text>
      {representative && (
        <line
          x1={x + 8}
          x2={x + 46}
          y1={22}
          y2={22}
          stroke="var(--inch)"
          strokeWidth={2}
          strokeDasharray="2 2"
        />
      )}
    </g>
  ));
}

/** The tape under the rows: millimetres and inches, one scale for all of them. */
export function FoundTape({
  rows,
  ends,
  room,
  children,
}: {
  rows: readonly FoundEnd[];
  ends: Ends;
  room: number;
  children: ReactNode;
}) {
  const { width, longest } = scaleOf(rows, ends, room);
  const scale = bandScale([{ from: 0, to: longest * 1000 }], width, LEFT, TAIL);
  return (
    <div className="flex flex-wrap items-center gap-x-6 border-line border-y bg-raised px-4 pl-[1.25rem] sm:px-11 sm:pl-12">
      <svg width={width} height={40} viewBox={`0 0 ${width} 40`} aria-hidden="true" className="max-w-full">
        <Tape scale={scale} top={0} height={40} />
      </svg>
      <p className="text-soft text-sm">{t("all-to-one-scale-thickness", { times: TIMES })}</p>
      <span className="ml-auto">{children}</span>
    </div>
  );
}
