import { memo } from "react";
import type { BandScale } from "./scale";
import { inchTicks, mmTicks, type Tick } from "./scale";

const LENGTHS = { mm: [16, 11, 7], inch: [14, 9, 6] } as const;

/** The tape along the band's lower edge: millimetres on top, inches in sixteenths below. */
export const Tape = memo(function Tape({
  scale,
  top,
  height,
}: {
  scale: BandScale;
  top: number;
  height: number;
}) {
  return (
    <g aria-hidden="true" className="figures">
      <rect x="0" y={top} width={scale.width} height={height} fill="var(--raised)" />
      <line x1="0" x2={scale.width} y1={top} y2={top} stroke="var(--line)" />
      <line x1="0" x2={scale.width} y1={top + height} y2={top + height} stroke="var(--line)" />
      {mmTicks(scale).map((tick) => (
        <TickDrawn
          key={tick.x}
          tick={tick}
          from={top}
          length={LENGTHS.mm[tick.rank]}
          down
          labelY={top + 23}
          stroke="var(--ink)"
          size={11}
        />
      ))}
      {inchTicks(scale).map((tick) => (
        <TickDrawn
          key={tick.x}
          tick={tick}
          from={top + height}
          length={LENGTHS.inch[tick.rank]}
          down={false}
          labelY={top + height - 5}
          stroke="var(--inch)"
          size={10}
        />
      ))}
    </g>
  );
});

interface TickProps {
  tick: Tick;
  from: number;
  length: number;
  down: boolean;
  labelY: number;
  stroke: string;
  size: number;
}

function TickDrawn({ tick, from, length, down, labelY, stroke, size }: TickProps) {
  return (
    <>
      <line
        x1={tick.x}
        x2={tick.x}
        y1={from}
        y2={down ? from + length : from - length}
        stroke={stroke}
        strokeWidth={tick.rank === 0 ? 1.4 : 0.8}
      />
      {tick.label !== null && (
        <text x={tick.x + 3} y={labelY} fontSize={size} fill={stroke}>
          {tick.label}
        </text>
      )}
    </>
  );
}
