import { scaleLinear } from "d3-scale";
import { type Cable, FIBRE_COLOURS, type PieceNeeds, pieceDrawing } from "@/core";
import { FIBRE_PAINT } from "../band/fibre-paint";
import { edgeOf, middleOf } from "../band/textures";
import { fanOf } from "../piece-band/piece-drawing";

const WIDTH = 150;
const HEIGHT = 36;
const AXIS = HEIGHT / 2;
const THICK = 7;
const FAN = 7;
/** The narrowest a piece is drawn: its two fans and a little sheath. */
const LEAST = 2 * FAN + 4;

const scaleTo = (longest: number) => scaleLinear([0, longest], [FAN, WIDTH - FAN]);

interface PieceBarProps {
  readonly cable: Cable;
  readonly needs: PieceNeeds;
  /** What the whole width stands for, micrometres. */
  readonly longest: number;
}

/** A piece in its row of the grid, to one scale with the others: its sheath, its loops, its elements at both ends. */
export function PieceBar({ cable, needs, longest }: PieceBarProps) {
  const x = scaleTo(longest);
  const right = Math.max(LEAST, x(needs.exact));
  const hue = cable.layers[0]?.hue ?? "black";
  const loops = pieceDrawing(needs.items).filter(({ need }) => need.part.of === "loop");
  const fan = FIBRE_COLOURS.slice(0, Math.min(6, fanOf(cable)));
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      aria-hidden="true"
      className="block"
    >
      {fan.map(({ code }, i) => {
        const y = AXIS + (i - (fan.length - 1) / 2) * 3.4;
        return (
          <path
            key={code}
            d={`M0.5,${y} L${FAN},${AXIS} M${right + FAN - 0.5},${y} L${right},${AXIS}`}
            stroke={FIBRE_PAINT[code].ground}
            strokeWidth={1.4}
          />
        );
      })}
      <rect
        x={FAN}
        y={AXIS - THICK / 2}
        width={Math.max(1, right - FAN)}
        height={THICK}
        fill={middleOf(hue)}
        stroke={edgeOf(hue)}
        strokeWidth={0.5}
      />
      {loops.map(({ key, from, to }) => (
        <ellipse
          key={key}
          cx={Math.min(right - 4, Math.max(FAN + 4, x((from + to) / 2)))}
          cy={AXIS}
          rx={5}
          ry={11}
          fill="none"
          stroke={edgeOf(hue)}
          strokeWidth={2.4}
        />
      ))}
    </svg>
  );
}

/** The scale all bars of the grid are drawn to, metres. */
export function BarScale({ longest }: { longest: number }) {
  const x = scaleTo(longest / 1e6);
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      aria-hidden="true"
      className="block"
    >
      <line x1={FAN} x2={WIDTH - FAN} y1={HEIGHT - 4} y2={HEIGHT - 4} stroke="var(--ink)" />
      {x.ticks(3).map((metres) => (
        <g key={metres}>
          <line x1={x(metres)} x2={x(metres)} y1={HEIGHT - 12} y2={HEIGHT - 4} stroke="var(--ink)" />
          <text x={x(metres)} y={HEIGHT - 16} textAnchor="middle" className="figures fill-ink text-xs">
            {metres}
          </text>
        </g>
      ))}
    </svg>
  );
}
