import type { SheathOpening } from "@/core";
import { metresText } from "../plan/metres";

interface StationMarkProps {
  readonly opening: SheathOpening;
  readonly x: number;
  readonly axis: number;
  readonly small: boolean;
  readonly lit: boolean;
}

/** How wide an opening is drawn: it has no scale of its own on a whole piece. */
const WIDTH = 34;
const SMALL_WIDTH = 12;

/** Where a piece is opened in its run: the sheath off between two edges, what lies in it going through. */
export function StationMark({ opening: { name, along }, x, axis, small, lit }: StationMarkProps) {
  const [wide, thick] = small ? [SMALL_WIDTH, 7] : [WIDTH, 14];
  const [x0, x1] = [x - wide / 2, x + wide / 2];
  return (
    <g>
      <rect
        x={x0}
        y={axis - thick}
        width={wide}
        height={thick * 2}
        fill={small ? "var(--ground)" : "var(--raised)"}
      />
      {[-1, 0, 1].map((row) => (
        <line
          key={row}
          x1={x0}
          x2={x1}
          y1={axis + (row * thick) / 3}
          y2={axis + (row * thick) / 3}
          stroke="var(--ink)"
          strokeWidth={small ? 1 : 2}
        />
      ))}
      {[x0, x1].map((edge) => (
        <line
          key={edge}
          x1={edge}
          x2={edge}
          y1={axis - thick}
          y2={axis + thick}
          stroke={lit ? "var(--now)" : "var(--ink)"}
          strokeWidth={small ? 1.5 : 3}
        />
      ))}
      {!small && (
        <text x={x} y={axis + 54} textAnchor="middle" className={`text-xs ${lit ? "fill-now" : "fill-ink"}`}>
          <tspan className="figures font-bold">{metresText(along)}</tspan> {name}
        </text>
      )}
    </g>
  );
}
