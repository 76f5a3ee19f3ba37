import { memo } from "react";
import type { BandScale } from "./scale";
import { inchTicks, mmTicks, type ScaleTick } from "./scale";

/** How long ticks are, px: whole, half and between. */
const MM = [16, 11, 7] as const;
const INCH = [-14, -9, -6] as const;

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
      <Ticks ticks={mmTicks(scale)} from={top} lengths={MM} labelY={top + 23} colour="var(--ink)" size={11} />
      <Ticks
        ticks={inchTicks(scale)}
        from={top + height}
        lengths={INCH}
        labelY={top + height - 5}
        colour="var(--inch)"
        size={10}
      />
    </g>
  );
});

interface TicksProps {
  readonly ticks: readonly ScaleTick[];
  /** The edge they stand on, px. */
  readonly from: number;
  /** How far they go from it, by rank: below zero is up. */
  readonly lengths: readonly [number, number, number];
  readonly labelY: number;
  readonly colour: string;
  readonly size: number;
}

/** The ticks of one unit with their labels, drawn as two lines in all: a tape has more ticks than its end has parts. */
function Ticks({ ticks, from, lengths, labelY, colour, size }: TicksProps) {
  const whole = ticks.filter(({ rank }) => rank === 0);
  const between = ticks.filter(({ rank }) => rank !== 0);
  const path = (drawn: readonly ScaleTick[]) =>
    drawn.map(({ x, rank }) => `M${x} ${from}v${lengths[rank]}`).join("");
  return (
    <>
      <path d={path(whole)} stroke={colour} strokeWidth="1.4" />
      <path d={path(between)} stroke={colour} strokeWidth="0.8" />
      {ticks.map(
        ({ x, label }) =>
          label !== null && (
            <text key={x} x={x + 3} y={labelY} fontSize={size} fill={colour}>
              {label}
            </text>
          ),
      )}
    </>
  );
}
