"use client";

import { scaleLinear } from "d3-scale";
import { t } from "@/messages/insight";
import { useWidth } from "../band/use-width";
import { cheapestAlong, type WayLine } from "./ways";

const HEIGHT = 320;
const LEFT = 52;
const RIGHT = 160;
/** Letters of a name that have room beside the lines. */
const NAME_LETTERS = 24;
const TOP = 24;
const BOTTOM = 250;
const COLOURS = ["var(--ink)", "#8a6408", "#1d6470", "#7e3aa8", "#9a3412"] as const;
const DASHES = [undefined, "10 3", "3 3", "12 3 3 3", "6 6"] as const;
const POINTS = 60;

interface CostChartProps {
  readonly lines: readonly WayLine[];
  readonly ends: number;
}

/** Cost of an end by each way as their number grows, with the band its yield leaves, and the cheapest way along it. */
export function CostChart({ lines, ends }: CostChartProps) {
  const { ref, width } = useWidth<HTMLDivElement>(640);
  const last = Math.max(20, ends * 4);
  const x = scaleLinear([0, last], [LEFT, width - RIGHT]);
  const at = Array.from({ length: POINTS }, (_, i) => 1 + (last - 1) * (i / (POINTS - 1)) ** 2);
  const costAt = (n: number, { once }: WayLine, each: number) => once / n + each;
  const here = lines.map((line) => costAt(ends, line, line.each));
  const least = Math.min(...lines.map(({ eachLeast }) => eachLeast), ...here);
  const most = Math.max(...here) + (Math.max(...here) - least) * 0.8 || 1;
  const y = scaleLinear([Math.max(0, least * 0.95), most], [BOTTOM, TOP]).clamp(true);
  const path = (line: WayLine, each: number) => at.map((n) => `${x(n)},${y(costAt(n, line, each))}`);
  const hue = (line: WayLine) => COLOURS[lines.indexOf(line) % COLOURS.length] ?? "var(--ink)";
  return (
    <div ref={ref} className="mt-3 min-w-0">
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={t("costs-drawn")}
      >
        {y.ticks(5).map((tick) => (
          <g key={tick}>
            <path d={`M${LEFT},${y(tick)} H${width - RIGHT}`} stroke="var(--line)" />
            <text x={LEFT - 6} y={y(tick) + 4} textAnchor="end" className="figures fill-soft text-xs">
              {tick}
            </text>
          </g>
        ))}
        <text x={LEFT} y={14} className="fill-soft text-xs">
          {t("cost-an-end")}
        </text>
        {lines.map((line, i) => (
          <g key={line.way.style}>
            <path
              d={`M${path(line, line.eachMost).join(" L")} L${path(line, line.eachLeast).reverse().join(" L")} Z`}
              fill={hue(line)}
              opacity="0.1"
            />
            <path
              d={`M${path(line, line.each).join(" L")}`}
              fill="none"
              stroke={hue(line)}
              strokeWidth="2.4"
              strokeDasharray={DASHES[i % DASHES.length]}
            />
          </g>
        ))}
        <Names lines={lines} y={(line) => y(costAt(last, line, line.each))} x={width - RIGHT + 6} hue={hue} />
        <path d={`M${x(ends)},${TOP} V${BOTTOM}`} stroke="var(--now)" strokeWidth="2" />
        <text x={x(ends) + 5} y={TOP + 4} className="figures fill-now font-bold text-sm">
          {ends}
        </text>
        <Cheapest lines={lines} last={last} x={x} hue={hue} />
      </svg>
    </div>
  );
}

interface CheapestProps {
  readonly lines: readonly WayLine[];
  readonly last: number;
  readonly x: (ends: number) => number;
  readonly hue: (line: WayLine) => string;
}

/** The cheapest way along the number of ends, and where another begins to be. */
function Cheapest({ lines, last, x, hue }: CheapestProps) {
  const stretches = cheapestAlong(lines, last);
  return (
    <>
      {stretches.map(({ from, line }, i) => {
        const to = stretches[i + 1]?.from ?? last;
        const wide = Math.max(0, x(to) - x(from));
        return (
          <g key={from}>
            <rect
              x={x(from)}
              y={BOTTOM + 14}
              width={wide}
              height={24}
              fill={hue(line)}
              fillOpacity="0.14"
              stroke={hue(line)}
            />
            {wide > line.way.name.length * 7 && (
              <text x={x(from) + wide / 2} y={BOTTOM + 31} textAnchor="middle" className="fill-ink text-xs">
                {line.way.name}
              </text>
            )}
            {i > 0 && (
              <text
                x={x(from)}
                y={BOTTOM + 54}
                textAnchor="middle"
                className="figures fill-ink font-bold text-xs"
              >
                {from}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

interface NamesProps {
  readonly lines: readonly WayLine[];
  readonly y: (line: WayLine) => number;
  readonly x: number;
  readonly hue: (line: WayLine) => string;
}

const shortened = (name: string): string =>
  name.length > NAME_LETTERS ? `${name.slice(0, NAME_LETTERS - 1)}…` : name;

/** Names at the end of the lines, apart from each other. */
function Names({ lines, y, x, hue }: NamesProps) {
  let last = Number.NEGATIVE_INFINITY;
  return [...lines]
    .sort((a, b) => y(a) - y(b))
    .map((line) => {
      last = Math.max(last + 15, y(line) + 4);
      return (
        <text key={line.way.style} x={x} y={last} fill={hue(line)} className="font-semibold text-xs">
          {shortened(line.way.name)}
        </text>
      );
    });
}
