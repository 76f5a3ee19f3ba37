import { lengthText, type Units } from "../words/length-text";
import type { BandGeometry } from "./geometry";

const RADIUS = 44;
const APART = 44;

interface LoupeProps {
  id: string;
  geometry: BandGeometry;
  close: NonNullable<BandGeometry["close"]>;
  axis: number;
  right: number;
  units: Units;
}

/** A magnified round of the cable where two places are too close to tell apart; it says how many times. */
export function Loupe({ id, geometry: { scale }, close: { from, to }, axis, right, units }: LoupeProps) {
  const [a, b] = [scale.x(from.position), scale.x(to.position)];
  const times = Math.min(12, APART / Math.max(1, b - a));
  const middle = (a + b) / 2;
  const cx = Math.min(Math.max(middle, RADIUS + 4), right - RADIUS - 4);
  const cy = axis;
  return (
    <g
      role="img"
      aria-label={`Loupe, ${times.toFixed(0)} times: ${from.name} to ${to.name}, ${lengthText(to.position - from.position, units)}`}
    >
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
      <rect x={cx - 24} y={cy + RADIUS - 8} width="48" height="16" rx="8" fill="var(--ink)" />
      <text x={cx} y={cy + RADIUS + 4} fontSize="11" textAnchor="middle" fill="var(--ground)">
        ×{times.toFixed(0)}
      </text>
    </g>
  );
}
