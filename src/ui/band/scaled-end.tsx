import { LayersDrawn } from "./layers";
import type { SmallEnd } from "./small-end";

/** The id of the textures ends in small are filled with: `ThumbTextures`, once a page. */
const TEXTURES = "thumb";

interface ScaledEndProps {
  readonly end: SmallEnd;
  /** Pixels to a millimetre along the end, and how many times thicker it is drawn. */
  readonly pxPerMm: number;
  readonly times: number;
  /** Where the cable end lies. */
  readonly left: number;
  readonly width: number;
  readonly height: number;
}

/** Cable drawn behind the last edge, at the least. */
const TAIL = 44;

/** A finished end to a scale it shares with the ends beside it; what has been taken off as an outline. */
export function ScaledEnd({ end, pxPerMm, times, left, width, height }: ScaledEndProps) {
  const x = (um: number) => Math.min(width - TAIL, left + (um / 1000) * pxPerMm);
  const thick = (um: number) => Math.max(1.6, Math.min(height, (um / 1000) * pxPerMm * times));
  const outer = end.layers[0];
  const axis = height / 2;
  return (
    <>
      {outer && outer.from > 0 && (
        <rect
          x={left}
          y={axis - thick(outer.diameter) / 2}
          width={Math.max(0, x(outer.from) - left)}
          height={thick(outer.diameter)}
          rx={2}
          fill="none"
          stroke="var(--ghost)"
          strokeDasharray="4 3"
        />
      )}
      <LayersDrawn
        id={TEXTURES}
        axis={axis}
        layers={end.layers.map(({ kind, hue, diameter, from, beside }) => ({
          layer: { kind, hue },
          x0: x(from),
          x1: width,
          thick: thick(diameter),
          beside: (beside / 1000) * pxPerMm * times,
        }))}
        yarn={
          end.yarn && {
            root: x(end.yarn.root),
            cutAt: end.yarn.cutAt === null ? null : x(end.yarn.cutAt),
            folded: end.yarn.folded,
            jacketThick: thick(end.yarn.jacket),
            bufferThick: end.yarn.buffer === null ? 6 : thick(end.yarn.buffer),
          }
        }
      />
    </>
  );
}
