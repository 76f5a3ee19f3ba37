import type { Cable, Layer } from "@/core";
import { middleOf, shadeOf } from "../band/textures";
import { faceOf } from "./face";

const SIZE = 68;
const MIDDLE = SIZE / 2;

/** A cable seen at its cut face, to one scale: rings of its layers, with every unit it holds. */
export function CutFace({ cable }: { cable: Cable }) {
  const { rings, unit, count, members } = faceOf(cable);
  const outer = (cable.layers[0]?.diameter ?? 1000) / 1000;
  const two = cable.legs.length > 1;
  const scale = two ? 9.5 : 62 / Math.max(4.4, outer);
  const centres = two ? [MIDDLE - outer * scale * 0.5, MIDDLE + outer * scale * 0.5] : [MIDDLE];
  const within = ((rings.at(-1)?.diameter ?? 0) / 2000) * scale;
  const radius = Math.min(((unit[0]?.diameter ?? 0) / 2000) * scale, within * 0.36);
  const shrunk = unit[0] ? radius / (unit[0].diameter / 2000) : scale;
  return (
    <svg width={SIZE} height={SIZE} viewBox={`0 0 ${SIZE} ${SIZE}`} aria-hidden="true" className="shrink-0">
      {centres.map((cx) => (
        <g key={cx}>
          {cable.construction === "flat-drop" && rings[0] ? (
            <Flat layer={rings[0]} />
          ) : (
            rings[0] && <Ring layer={rings[0]} cx={cx} cy={MIDDLE} scale={scale} />
          )}
          {rings.slice(1).map((layer) => (
            <Ring key={layer.kind} layer={layer} cx={cx} cy={MIDDLE} scale={scale} />
          ))}
          {Array.from({ length: unit.length > 0 ? count : 0 }, (_, i) => {
            const turn = (2 * Math.PI * i) / count;
            const out = within - radius - 1;
            return unit.map((layer) => (
              <Ring
                key={`${turn}-${layer.kind}`}
                layer={layer}
                cx={cx + out * Math.cos(turn)}
                cy={MIDDLE + out * Math.sin(turn)}
                scale={shrunk}
              />
            ));
          })}
          {members && (
            <Members layer={members} cx={cx} scale={scale} central={count > 1} wall={wallOf(rings, scale)} />
          )}
        </g>
      ))}
    </svg>
  );
}

/** The middle of the outermost wall, pixels from the centre. */
const wallOf = (rings: readonly Layer[], scale: number): number =>
  (((rings[0]?.diameter ?? 0) + (rings[1]?.diameter ?? 0)) / 4000) * scale;

function Members({
  layer,
  cx,
  scale,
  central,
  wall,
}: {
  layer: Layer;
  cx: number;
  scale: number;
  central: boolean;
  wall: number;
}) {
  const places = central ? [0] : [-wall, wall];
  return places.map((x) => <Ring key={x} layer={layer} cx={cx + x} cy={MIDDLE} scale={scale} />);
}

/** A flat sheath, twice as wide as it is thick. */
function Flat({ layer: { hue } }: { layer: Layer }) {
  return (
    <rect
      x="3"
      y="19"
      width="62"
      height="30"
      rx="13"
      fill={middleOf(hue)}
      stroke={shadeOf(hue)}
      strokeWidth="0.7"
    />
  );
}

interface RingProps {
  readonly layer: Layer;
  readonly cx: number;
  readonly cy: number;
  readonly scale: number;
}

function Ring({ layer: { kind, diameter, hue }, cx, cy, scale }: RingProps) {
  return (
    <circle
      cx={cx}
      cy={cy}
      r={Math.max(0.8, (diameter / 2000) * scale)}
      fill={kind === "glass" ? "#fff" : middleOf(hue)}
      stroke={shadeOf(hue)}
      strokeWidth="0.7"
    />
  );
}
