"use client";

import { scaleLinear } from "d3-scale";
import type { LinkAnswer } from "@/core";
import { t } from "@/messages/link";
import { decimal } from "@/messages/numbers";
import { useWidth } from "../band/use-width";

interface LinkDrawingProps {
  readonly parts: LinkAnswer["parts"];
  readonly at: LinkAnswer["wavelengths"][number];
}

const HEIGHT = 300;
const TOP = 34;
const BOTTOM = 250;
const LEFT = 64;
const RIGHT = 120;
const TAIL = 16;

/** A link along its true length: the level falling part by part, what its parts may take at most as a band, the loss measured. */
export function LinkDrawing({ parts, at }: LinkDrawingProps) {
  const { ref, width } = useWidth<HTMLElement>(1_200);
  const length = parts.reduce((sum, { metres }) => sum + metres, 0);
  const most = Math.max(at.limit, at.measured?.loss ?? 0, at.loss) * 1.08 + 0.05;
  const x = scaleLinear([0, Math.max(1, length)], [LEFT, width - RIGHT]);
  const y = scaleLinear([0, most], [TOP, BOTTOM]);
  const lines = levels(parts, at);
  const last = lines.at(-1);
  // What comes behind the last part is drawn a little further, so that its own step is seen.
  const path = (of: (level: Level) => number) =>
    `M${lines.map((level) => `${x(level.along)},${y(of(level))}`).join(" L")} H${x(length) + TAIL}`;
  return (
    <figure ref={ref} className="border-line border-y bg-raised">
      <svg width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} className="block h-auto w-full">
        <title>{t("along")}</title>
        <path d={`${path(({ limit }) => limit)} V${y(0)} H${x(0)} Z`} fill="var(--in)" opacity="0.12" />
        <path d={path(({ loss }) => loss)} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
        {y.ticks(5).map((tick) => (
          <text
            key={tick}
            x={LEFT - 8}
            y={y(tick) + 4}
            textAnchor="end"
            className="figures fill-soft text-xs"
            aria-hidden="true"
          >
            {decimal(String(-tick))}
          </text>
        ))}
        <path d={`M${LEFT},${BOTTOM} H${width - RIGHT}`} stroke="var(--ink)" aria-hidden="true" />
        {x.ticks(Math.max(2, Math.floor(width / 140))).map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={BOTTOM + 18}
            textAnchor="middle"
            className="figures fill-soft text-xs"
            aria-hidden="true"
          >
            {t("metres", { metres: tick })}
          </text>
        ))}
        {parts.map((part, i) => (
          <PartMark
            // biome-ignore lint/suspicious/noArrayIndexKey: parts go by their place
            key={i}
            part={part}
            x={x(part.at)}
            y={y(lines.find(({ part: of }) => of === i)?.loss ?? 0)}
            loss={at.parts[i]?.loss ?? 0}
          />
        ))}
        {at.measured && last && (
          <g>
            <path
              d={`M${x(length) + 26},${y(at.measured.loss - 2 * at.measured.u)} V${y(at.measured.loss + 2 * at.measured.u)}`}
              stroke="var(--now)"
              strokeWidth="2"
            />
            <circle cx={x(length) + 26} cy={y(at.measured.loss)} r="5" fill="var(--now)" />
            <text
              x={x(length) + 36}
              y={y(at.measured.loss) + 4}
              className="figures fill-ink font-bold text-sm"
            >
              {t("decibels", { loss: decimal(at.measured.loss.toFixed(2)) })}
            </text>
          </g>
        )}
      </svg>
    </figure>
  );
}

interface Level {
  readonly part: number;
  readonly along: number;
  readonly loss: number;
  readonly limit: number;
}

/** The level before and behind each part: a step where it has no length, a slope along a fibre. */
function levels(parts: LinkAnswer["parts"], at: LinkAnswer["wavelengths"][number]): Level[] {
  let [along, loss, limit] = [0, 0, 0];
  const all: Level[] = [{ part: -1, along, loss, limit }];
  parts.forEach(({ metres }, part) => {
    along += metres;
    loss += at.parts[part]?.loss ?? 0;
    limit += at.parts[part]?.limit ?? 0;
    all.push({ part, along, loss, limit });
  });
  return all;
}

const MARKS: Readonly<Record<LinkAnswer["parts"][number]["kind"], string>> = {
  connector: "M-6,-6 h12 v12 h-12 Z",
  pigtail: "M-6,-6 h12 v12 h-12 Z",
  splice: "M0,-7 L7,0 L0,7 L-7,0 Z",
  device: "M-8,0 L8,-8 V8 Z",
  port: "M-6,-6 h12 v12 h-12 Z",
  open: "M-5,-5 L5,5 M-5,5 L5,-5",
  fibre: "",
};

interface PartMarkProps {
  readonly part: LinkAnswer["parts"][number];
  readonly x: number;
  readonly y: number;
  readonly loss: number;
}

/** A connector, splice or open end where it lies, with what it takes in its title. */
function PartMark({ part: { kind, name }, x, y, loss }: PartMarkProps) {
  if (kind === "fibre") return null;
  return (
    <g transform={`translate(${x},${y})`}>
      <title>{`${name}: ${t("decibels", { loss: decimal(loss.toFixed(2)) })}`}</title>
      <path d={MARKS[kind]} fill="var(--raised)" stroke="var(--ink)" strokeWidth="1.8" />
    </g>
  );
}
