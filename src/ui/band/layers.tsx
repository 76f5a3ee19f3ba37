import { memo } from "react";
import type { Layer } from "@/core";
import { edgeOf, middleOf, shadeOf } from "./textures";

export interface DrawnLayer {
  readonly layer: Pick<Layer, "kind" | "hue">;
  /** Left edge and right end, pixels. */
  readonly x0: number;
  readonly x1: number;
  /** Where it has been cut, where that is not its left. */
  readonly edge?: "x1";
  /** Drawn thickness, pixels. */
  readonly thick: number;
  /** Half the distance between two that lie either side of the core; 0 for a layer around it. */
  readonly beside: number;
}

export interface YarnState {
  /** Where the jacket ends: the strands come out of it. */
  readonly root: number;
  /** Where the strands end when they are cut; null while they are whole. */
  readonly cutAt: number | null;
  readonly folded: boolean;
  readonly jacketThick: number;
  readonly bufferThick: number;
}

/** The layers as they stand, innermost first so that each covers what is under it. */
export const LayersDrawn = memo(function LayersDrawn({
  id,
  axis,
  layers,
  yarn,
}: {
  id: string;
  axis: number;
  layers: readonly DrawnLayer[];
  yarn: YarnState | null;
}) {
  return (
    <g>
      {[...layers]
        .reverse()
        .map((drawn) =>
          drawn.layer.kind === "yarn" ? (
            yarn && <Strands key="yarn" axis={axis} yarn={yarn} hue={drawn.layer.hue} />
          ) : (
            <LayerDrawn key={`${drawn.layer.kind} ${drawn.edge}`} id={id} axis={axis} drawn={drawn} />
          ),
        )}
    </g>
  );
});

function LayerDrawn({
  id,
  axis,
  drawn: { layer, x0, x1, edge, thick, beside },
}: {
  id: string;
  axis: number;
  drawn: DrawnLayer;
}) {
  const box = { x: x0, y: axis - thick / 2, width: Math.max(0, x1 - x0), height: thick };
  if (layer.kind === "glass")
    return (
      <g>
        <rect {...box} fill={middleOf(layer.hue)} stroke={shadeOf(layer.hue)} strokeWidth="0.6" />
        <rect {...box} y={axis - thick / 4} height={Math.max(0.7, thick / 5)} fill="#fff" fillOpacity="0.8" />
      </g>
    );
  if (beside > 0)
    return (
      <g>
        {[-1, 1].map((side) => (
          <rect
            key={side}
            {...box}
            y={axis + side * beside - thick / 2}
            rx={Math.min(2, thick / 2)}
            fill={`url(#${id}-${layer.hue})`}
            stroke={edgeOf(layer.hue)}
            strokeWidth="0.8"
            strokeDasharray={layer.kind === "ripcord" ? "5 2" : undefined}
          />
        ))}
      </g>
    );
  const texture = TEXTURES[layer.kind];
  return (
    <g>
      <rect
        {...box}
        fill={`url(#${id}-${layer.hue})`}
        fillOpacity={layer.kind === "coating" ? 0.65 : 1}
        stroke={edgeOf(layer.hue)}
        strokeWidth="0.8"
      />
      {texture && <rect {...box} fill={`url(#${id}-${texture})`} />}
      {layer.kind === "ribbon" &&
        RIBBON.map((part) => (
          <line
            key={part}
            x1={x0}
            x2={x1}
            y1={box.y + thick * part}
            y2={box.y + thick * part}
            stroke={edgeOf(layer.hue)}
            strokeWidth="0.8"
          />
        ))}
      <line
        x1={edge ? x1 : x0}
        x2={edge ? x1 : x0}
        y1={box.y}
        y2={box.y + thick}
        stroke={edgeOf(layer.hue)}
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}

/** Fibres of a ribbon, side by side. */
const RIBBON = [0.2, 0.4, 0.6, 0.8];

/** What is laid over a material's colour, so that texture distinguishes it too. */
const TEXTURES: Partial<Record<Layer["kind"], "ribs" | "corrugated" | "braid" | "tape" | "twist">> = {
  sheath: "ribs",
  jacket: "ribs",
  "inner-jacket": "ribs",
  armour: "corrugated",
  shield: "braid",
  tape: "tape",
  conductor: "twist",
};

const STRANDS = [-1, -0.72, -0.45, 0.45, 0.72, 1];

/** Yarn as strands: whole and fanned, folded back over the jacket, or cut. */
function Strands({ axis, yarn, hue }: { axis: number; yarn: YarnState; hue: Layer["hue"] }) {
  const { root, cutAt, folded, jacketThick, bufferThick } = yarn;
  const path = (spread: number, i: number): string => {
    const from = axis + spread * (jacketThick / 2 - 4);
    if (folded) {
      const out = axis + Math.sign(spread) * (jacketThick / 2 + 4 + 5 * (i % 3));
      return `M${root + 2},${from} c-14,${(out - from) * 0.2} -14,${out - from} 2,${out - from} h${42 + 6 * (i % 3)}`;
    }
    const tip = cutAt ?? Math.max(8, root - 250);
    const drop =
      cutAt === null ? axis + spread * (jacketThick / 2 + 10) : axis + spread * (bufferThick / 2 + 6);
    const end = cutAt === null ? tip + 7 * (i % 3) : tip;
    return `M${root + 2},${from} C${root - (root - end) * 0.35},${from} ${root - (root - end) * 0.6},${drop} ${end},${drop}`;
  };
  return (
    <g fill="none" stroke={middleOf(hue)} strokeWidth="2.6" strokeLinecap="round">
      {STRANDS.map((spread, i) => (
        <path key={spread} d={path(spread, i)} />
      ))}
    </g>
  );
}
