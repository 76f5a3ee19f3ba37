import { t } from "@/messages/band";
import { figureText, lengthText, type Units } from "../words/length-text";
import type { BandGeometry } from "./geometry";

const RADIUS = 44;
const APART = 44;

interface LoupeProps {
  id: string;
  geometry: BandGeometry;
  close: NonNullable<BandGeometry["close"]>;
  axis: number;
  units: Units;
}

/** A magnified round of the cable where two places are too close to tell apart; it says how many times, and how far. */
export function Loupe({ id, geometry: { scale, features }, close: { from, to }, axis, units }: LoupeProps) {
  const [a, b] = [scale.x(from.position), scale.x(to.position)];
  const times = Math.min(12, APART / Math.max(1, b - a));
  const middle = (a + b) / 2;
  const cx = freePlace(scale, features, middle);
  const cy = axis;
  const scaleText = `×${times.toFixed(0)} · ${figureText(to.position - from.position, units)}`;
  return (
    <g
      role="img"
      aria-label={t("loupe-times-to", {
        value: times.toFixed(0),
        name: from.name,
        name2: to.name,
        lengthText: lengthText(to.position - from.position, units),
      })}
    >
      {Math.abs(cx - middle) > RADIUS && (
        <line x1={cx} x2={middle} y1={cy} y2={cy} stroke="var(--ink)" strokeWidth="1" />
      )}
      <clipPath id={`${id}-loupe`}>
        <circle cx={cx} cy={cy} r={RADIUS} />
      </clipPath>
      <g clipPath={`url(#${id}-loupe)`} aria-hidden="true">
        <rect x={cx - RADIUS} y={cy - RADIUS} width={2 * RADIUS} height={2 * RADIUS} fill="var(--raised)" />
        <g transform={`translate(${cx} ${cy}) scale(${times}) translate(${-middle} ${-axis})`}>
          <use href={`#${id}-cable`} />
        </g>
        {[a, b].map((x) => (
          <line
            key={x}
            x1={cx + (x - middle) * times}
            x2={cx + (x - middle) * times}
            y1={cy - RADIUS}
            y2={cy + RADIUS}
            stroke="var(--now)"
            strokeWidth="1.5"
          />
        ))}
      </g>
      <circle cx={cx} cy={cy} r={RADIUS} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      <rect x={cx - 36} y={cy + RADIUS - 8} width="72" height="16" rx="8" fill="var(--ink)" />
      <text x={cx} y={cy + RADIUS + 4} fontSize="11" textAnchor="middle" fill="var(--ground)">
        {scaleText}
      </text>
    </g>
  );
}

/** In front of the first feature where that is room enough, so that the loupe hides nothing; else over its own place. */
function freePlace(scale: BandGeometry["scale"], features: BandGeometry["features"], middle: number): number {
  const [start, first] = [scale.x(0), scale.x(features.find(({ position }) => position > 0)?.position ?? 0)];
  return first - start > 2 * RADIUS + 24
    ? (start + first) / 2
    : Math.min(Math.max(middle, RADIUS + 4), scale.width - RADIUS - 4);
}
