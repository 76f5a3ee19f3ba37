import type { Cable, Layer } from "@/core";
import { middleOf, shadeOf } from "../band/textures";

/** A cable seen at its cut face: rings of its layers to one scale, with every buffer it holds. */
export function CutFace({ cable: { layers, legs, fibreCount } }: { cable: Cable }) {
  const outer = Math.max(...layers.map(({ diameter }) => diameter / 1000));
  const scale = legs.length > 1 ? 9.5 : 62 / Math.max(4.4, outer);
  const centres = legs.length > 1 ? [34 - outer * scale * 0.5, 34 + outer * scale * 0.5] : [34];
  const bundle = legs.length === 1 ? fibreCount : 1;
  return (
    <svg width="68" height="68" viewBox="0 0 68 68" aria-hidden="true" className="shrink-0">
      {centres.map((cx) => (
        <g key={cx}>
          {layers
            .filter(({ kind }) => !INSIDE.includes(kind))
            .map((layer) => (
              <Ring key={layer.kind} layer={layer} cx={cx} cy={34} scale={scale} />
            ))}
          {Array.from({ length: bundle }, (_, i) => {
            const turn = (2 * Math.PI * i) / bundle;
            const out = bundle > 1 ? 17 : 0;
            const [x, y] = [cx + out * Math.cos(turn), 34 + out * Math.sin(turn)];
            return layers
              .filter(({ kind }) => INSIDE.includes(kind))
              .map((layer) => (
                <Ring key={`${turn}-${layer.kind}`} layer={layer} cx={x} cy={y} scale={scale} />
              ));
          })}
        </g>
      ))}
    </svg>
  );
}

const INSIDE: readonly string[] = ["buffer", "coating", "glass"];

function Ring({
  layer: { kind, diameter, hue },
  cx,
  cy,
  scale,
}: {
  layer: Layer;
  cx: number;
  cy: number;
  scale: number;
}) {
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
