"use client";

import { useId, useMemo } from "react";
import { type Cable, FIBRE_COLOURS, type Need, type PieceNeeds, pieceDrawing } from "@/core";
import { t } from "@/messages/jobs";
import { FIBRE_PAINT } from "../band/fibre-paint";
import { middleOf, Textures } from "../band/textures";
import { useWidth } from "../band/use-width";
import { metresText } from "../plan/metres";
import { DragHandle } from "./drag-handle";
import type { Handle } from "./handles";
import { alongAt, bandWidth, fanOf, type Spot, spotsOf, xAlong } from "./piece-drawing";
import { StationMark } from "./station-mark";

interface PieceBandProps {
  readonly cable: Cable;
  readonly needs: PieceNeeds;
  /** Key of the item pointed at. */
  readonly lit?: string | null;
  readonly onPoint?: (key: string | null) => void;
  /** In a list of many: without lengths written. */
  readonly small?: boolean;
  /** Where its loops and stretches can be dragged: what each stands at, and what is done with where it goes. */
  readonly drag?: {
    readonly handleOf: (need: Need) => Handle | null;
    readonly stationHandle: (id: string, follows: (px: number) => number) => Handle | null;
    readonly onTry: (part: Handle["part"], value: number | null) => void;
    readonly onSet: (part: Handle["part"], value: number) => void;
  };
  /** Of textures that are on the page already; without it, the band brings its own. */
  readonly textures?: string;
}

const AXIS = 150;
const SMALL_AXIS = 30;
/** Where what is dragged has its handle: below the cable, a stretch's before its break. */
const HANDLE_BELOW = 42;
const HANDLE_FROM_END = 14;

/** A whole piece, side A left, side B right: what lies on the way in its order, each part's length on it. */
export function PieceBand({
  cable,
  needs,
  lit = null,
  onPoint,
  small = false,
  drag,
  textures,
}: PieceBandProps) {
  const { ref, width } = useWidth<HTMLElement>(small ? 420 : 1_180);
  const own = useId().replaceAll(":", "");
  const id = textures ?? own;
  const shapes = useMemo(() => pieceDrawing(needs.items), [needs.items]);
  const drawn = small ? width : bandWidth(shapes, width);
  const spots = useMemo(() => spotsOf(shapes, drawn), [shapes, drawn]);
  const axis = small ? SMALL_AXIS : AXIS;
  const height = small ? 60 : 218;
  const fan = fanOf(cable);
  const hue = cable.layers[0]?.hue ?? "black";
  return (
    <figure
      ref={ref}
      aria-label={t("the-whole-piece-m-not-to", { metresText: metresText(needs.exact) })}
      className={small ? "" : "relative overflow-x-auto border-line border-b bg-raised"}
      tabIndex={small ? undefined : 0}
    >
      <svg
        width={drawn}
        height={height}
        viewBox={`0 0 ${drawn} ${height}`}
        className="block"
        aria-hidden="true"
      >
        {textures === undefined && <Textures id={id} />}
        {spots.map((spot, i) => (
          <g key={spot.key}>
            <Part spot={spot} axis={axis} id={id} hue={hue} small={small} fan={fan} />
            {!small && <Label spot={spot} row={i % 2} lit={lit === spot.key} axis={axis} />}
            {onPoint && (
              <rect
                x={spot.x0}
                width={spot.x1 - spot.x0}
                height={height}
                fill="transparent"
                onPointerEnter={() => onPoint(spot.key)}
                onPointerLeave={() => onPoint(null)}
              />
            )}
          </g>
        ))}
        {needs.openings.map((opening) => (
          <StationMark
            key={opening.id}
            opening={opening}
            x={xAlong(spots, opening.along)}
            axis={axis}
            small={small}
            lit={lit === `station ${opening.id}`}
          />
        ))}
        {!small && (
          <text x={drawn - 8} y={height - 8} textAnchor="end" className="fill-soft text-xs">
            {t("not-to-one-scale")}
          </text>
        )}
      </svg>
      {drag && <Handles drag={drag} spots={spots} needs={needs} axis={axis} />}
    </figure>
  );
}

interface HandlesProps extends Pick<PieceBandProps, "needs"> {
  readonly drag: NonNullable<PieceBandProps["drag"]>;
  readonly spots: readonly Spot[];
  readonly axis: number;
}

/** The handles by which loops, stretches and stations are dragged. */
function Handles({ drag, spots, needs, axis }: HandlesProps) {
  return (
    <>
      {spots.map(({ key, need, x0, x1 }) => {
        const handle = drag.handleOf(need);
        return (
          handle && (
            <DragHandle
              key={key}
              handle={handle}
              x={handle.part.of === "loop" ? (x0 + x1) / 2 : x1 - HANDLE_FROM_END}
              y={axis + HANDLE_BELOW}
              onTry={(value) => drag.onTry(handle.part, value)}
              onSet={(value) => drag.onSet(handle.part, value)}
            />
          )
        );
      })}
      {needs.openings.map(({ id, along }) => {
        const x = xAlong(spots, along);
        const handle = drag.stationHandle(id, (px) => alongAt(spots, x + px));
        return (
          handle && (
            <DragHandle
              key={id}
              handle={handle}
              x={x}
              y={axis - HANDLE_BELOW}
              onTry={(value) => drag.onTry(handle.part, value)}
              onSet={(value) => drag.onSet(handle.part, value)}
            />
          )
        );
      })}
    </>
  );
}

interface PartProps {
  readonly spot: Spot;
  readonly axis: number;
  readonly id: string;
  readonly hue: Cable["layers"][number]["hue"];
  readonly small: boolean;
  /** Elements that come out at a side. */
  readonly fan: number;
}

function Part({ spot: { need, x0, x1 }, axis, id, hue, small, fan }: PartProps) {
  const thick = small ? 7 : 14;
  const sheath = (from: number, to: number) => (
    <>
      <rect
        x={from}
        y={axis - thick / 2}
        width={Math.max(0, to - from)}
        height={thick}
        fill={`url(#${id}-${hue})`}
      />
      <rect
        x={from}
        y={axis - thick / 2}
        width={Math.max(0, to - from)}
        height={thick}
        fill={`url(#${id}-ribs)`}
      />
    </>
  );
  if (need.part.of === "side")
    return <Fan need={need} x0={x0} x1={x1} axis={axis} small={small} count={fan} />;
  if (need.part.of === "route")
    return (
      <>
        {sheath(x0, x1)}
        <Break x={x1 - 18} axis={axis} thick={thick} />
      </>
    );
  const [middle, rx] = [(x0 + x1) / 2, small ? 15 : 30];
  return (
    <>
      {sheath(x0, x1)}
      {[-1, 0, 1].map((side) => (
        <ellipse
          key={side}
          cx={middle}
          cy={axis + side * (small ? 3 : 8)}
          rx={rx}
          ry={small ? 9 : 19}
          fill="none"
          stroke={middleOf(hue)}
          strokeWidth={thick * 0.4}
        />
      ))}
    </>
  );
}

/** Length left out of the drawing. */
const Break = ({ x, axis, thick }: { x: number; axis: number; thick: number }) => (
  <>
    <rect x={x} y={axis - thick} width={8} height={thick * 2} fill="var(--raised)" />
    {[0, 8].map((by) => (
      <path
        key={by}
        d={`M${x + by},${axis - thick} q4,${thick / 2} 0,${thick} t0,${thick}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
    ))}
  </>
);

interface FanProps extends Omit<Spot, "key" | "from" | "to"> {
  readonly axis: number;
  readonly small: boolean;
  readonly count: number;
}

/** Room its elements have across, pixels. */
const SPREAD = 84;
const SMALL_SPREAD = 44;

/** A side: the sheath ends and its elements fan out. */
function Fan({ need, x0, x1, axis, small, count }: FanProps) {
  const left = need.part.of === "side" && need.part.side === "A";
  const [tip, root] = left ? [x0 + 14, x1] : [x1 - 14, x0];
  const spread = Math.min(small ? 7 : 14, (small ? SMALL_SPREAD : SPREAD) / count);
  return FIBRE_COLOURS.slice(0, count).map(({ code }, i) => {
    const y = axis + (i - (count - 1) / 2) * spread;
    const bend = (tip + root) / 2;
    return (
      <path
        key={code}
        d={`M${tip},${y} C${bend},${y} ${bend},${axis} ${root},${axis}`}
        fill="none"
        stroke={FIBRE_PAINT[code].ground}
        strokeWidth={small ? 2 : 3.5}
      />
    );
  });
}

function Label({
  spot: { need, x0, x1 },
  row,
  lit,
  axis,
}: {
  spot: Spot;
  row: number;
  lit: boolean;
  axis: number;
}) {
  const side = need.part.of === "side" ? need.part.side : null;
  const x = side === "A" ? x0 + 12 : side === "B" ? x1 - 12 : (x0 + x1) / 2;
  const anchor = side === "A" ? "start" : side === "B" ? "end" : "middle";
  const y = side ? axis - 108 : row === 0 ? 22 : 62;
  const most = Math.max(8, Math.floor((x1 - x0) / 7));
  const name = need.name.length > most ? `${need.name.slice(0, most - 1)}…` : need.name;
  return (
    <g className={lit ? "fill-now font-bold" : "fill-ink"}>
      {!side && (
        <line
          x1={x}
          x2={x}
          y1={y + 22}
          y2={axis - 24}
          stroke="currentColor"
          strokeDasharray="2 4"
          className="text-soft"
        />
      )}
      <text x={x} y={y} textAnchor={anchor} className="figures font-bold text-base">
        {metresText(need.length)}
      </text>
      <text x={x} y={y + 16} textAnchor={anchor} className="text-xs">
        {name}
      </text>
    </g>
  );
}
