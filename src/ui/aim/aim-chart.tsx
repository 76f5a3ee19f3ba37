"use client";

import { bin } from "d3-array";
import { scaleLinear } from "d3-scale";
import type { LengthAim } from "@/core";
import { t } from "@/messages/aim";
import { useWidth } from "../band/use-width";
import { figureText, type Units } from "../words/length-text";

const HEIGHT = 210;
const LEFT = 56;
const EDGE = 12;
/** Width of the histogram at the right. */
const LIES = 120;

interface AimChartProps {
  readonly aim: LengthAim;
  readonly units: Units;
}

/** First reading of each end, oldest left, against the limits, the nominal and the mean; beside it how often each length came. */
export function AimChart({ aim, units }: AimChartProps) {
  const { values, nominal, min, max, bias } = aim;
  const { ref, width } = useWidth<HTMLDivElement>(720);
  const all = [...values, nominal, ...(min === null ? [] : [min]), ...(max === null ? [] : [max])];
  const pad = (Math.max(...all) - Math.min(...all)) * 0.12 || 100;
  const y = scaleLinear([Math.min(...all) - pad, Math.max(...all) + pad], [HEIGHT - EDGE, EDGE]);
  const right = width - LIES - 20;
  const x = scaleLinear([0, Math.max(1, values.length - 1)], [LEFT + 14, right - 14]);
  const out = (value: number) => (min !== null && value < min) || (max !== null && value > max);
  const limits = [
    { name: "min", at: min, colour: "var(--in)", dash: undefined, wide: 1 },
    { name: "max", at: max, colour: "var(--in)", dash: undefined, wide: 1 },
    { name: "nominal", at: nominal, colour: "var(--ink)", dash: undefined, wide: 1 },
    { name: "mean", at: nominal + bias, colour: "var(--now)", dash: "6 4", wide: 2 },
  ];
  return (
    <div ref={ref} className="min-w-0">
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="figures block h-auto w-full"
        role="img"
        aria-label={t("ends-in-order", {
          name: aim.name,
          length: values.length,
          value: values.map((value) => figureText(Math.round(value / 10) * 10, units)).join(", "),
        })}
      >
        {min !== null && max !== null && (
          <rect
            x={LEFT}
            width={width - LEFT - EDGE}
            y={y(max)}
            height={y(min) - y(max)}
            fill="var(--in-wash)"
          />
        )}
        {limits.map(({ name, at, colour, dash, wide }) =>
          at === null ? null : (
            <g key={name}>
              <path
                d={`M${LEFT},${y(at)} H${width - EDGE}`}
                stroke={colour}
                strokeDasharray={dash}
                strokeWidth={wide}
              />
              {name !== "mean" && (
                <text x={LEFT - 6} y={y(at) + 4} textAnchor="end" fontSize="13" fill="var(--ink)">
                  {figureText(Math.round(at / 10) * 10, units)}
                </text>
              )}
            </g>
          ),
        )}
        {values.map((value, i) =>
          out(value) ? (
            // biome-ignore lint/suspicious/noArrayIndexKey: ends in order, never moved about
            <rect key={i} x={x(i) - 5} y={y(value) - 5} width="10" height="10" fill="var(--out)" />
          ) : (
            // biome-ignore lint/suspicious/noArrayIndexKey: ends in order, never moved about
            <circle key={i} cx={x(i)} cy={y(value)} r="5" fill="var(--ink)" />
          ),
        )}
        <Lies values={values} y={y} x={width - LIES - EDGE} />
      </svg>
    </div>
  );
}

interface LiesProps {
  readonly values: readonly number[];
  readonly y: (value: number) => number;
  readonly x: number;
}

/** A histogram of the lengths, its bars from the left. */
function Lies({ values, y, x }: LiesProps) {
  const bins = bin().thresholds(9)([...values]);
  const most = Math.max(1, ...bins.map(({ length }) => length));
  return (
    <g aria-hidden="true">
      <path d={`M${x},${EDGE} V${HEIGHT - EDGE}`} stroke="var(--line)" />
      {bins.map(({ x0 = 0, x1 = 0, length }) => (
        <rect
          key={x0}
          x={x}
          y={Math.min(y(x0), y(x1)) + 1}
          width={(length / most) * LIES}
          height={Math.max(2, Math.abs(y(x0) - y(x1)) - 2)}
          fill="var(--ink)"
          opacity="0.35"
        />
      ))}
    </g>
  );
}
