import { scaleLinear } from "d3-scale";
import type { LengthAim } from "@/core";
import { t } from "@/messages/aim";
import { figureText, type Units } from "../words/length-text";

const WIDTH = 520;
const HEIGHT = 130;
const LEFT = 46;
const RIGHT = 10;

/** What each end first measured, oldest left, against the limits, the nominal and the mean. */
export function AimChart({ aim, units }: { aim: LengthAim; units: Units }) {
  const { values, nominal, min, max, bias } = aim;
  const all = [...values, nominal, ...(min === null ? [] : [min]), ...(max === null ? [] : [max])];
  const pad = (Math.max(...all) - Math.min(...all)) * 0.12 || 100;
  const y = scaleLinear([Math.min(...all) - pad, Math.max(...all) + pad], [HEIGHT - 8, 8]);
  const x = scaleLinear([0, Math.max(1, values.length - 1)], [LEFT + 10, WIDTH - RIGHT - 10]);
  const line = (value: number, name: string, dash: string | undefined, colour: string) => (
    <g key={name}>
      <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(value)} y2={y(value)} stroke={colour} strokeDasharray={dash} />
      <text x={LEFT - 6} y={y(value) + 4} textAnchor="end" fontSize="12" fill="var(--ink)">
        {figureText(Math.round(value / 10) * 10, units)}
      </text>
    </g>
  );
  const out = (value: number) => (min !== null && value < min) || (max !== null && value > max);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="figures w-full max-w-[520px]"
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
          width={WIDTH - LEFT - RIGHT}
          y={y(max)}
          height={y(min) - y(max)}
          fill="var(--in-wash)"
        />
      )}
      {min !== null && line(min, "min", undefined, "var(--in)")}
      {max !== null && line(max, "max", undefined, "var(--in)")}
      {line(nominal, "nominal", undefined, "var(--ink)")}
      <line
        x1={LEFT}
        x2={WIDTH - RIGHT}
        y1={y(nominal + bias)}
        y2={y(nominal + bias)}
        stroke="var(--now)"
        strokeWidth="2"
        strokeDasharray="6 4"
      />
      {values.map((value, i) =>
        out(value) ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: ends in order, never moved about
          <rect key={i} x={x(i) - 4} y={y(value) - 4} width="8" height="8" fill="var(--out)" />
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: ends in order, never moved about
          <circle key={i} cx={x(i)} cy={y(value)} r="4" fill="var(--ink)" />
        ),
      )}
    </svg>
  );
}
