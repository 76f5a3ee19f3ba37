import { endDrawing, featureOf, mustHoldAt, type RunSheet, type SheetFeature } from "@/core";
import type { DrawnLayer, YarnState } from "./layers";
import { type BandScale, bandScale } from "./scale";

export interface BandGeometry {
  readonly scale: BandScale;
  /** Pixels of drawn thickness to one millimetre, and how many times that is the scale of lengths. */
  readonly thickness: { readonly pxPerMm: number; readonly times: number };
  readonly layers: readonly DrawnLayer[];
  readonly yarn: YarnState | null;
  /** Outline of what has been taken off: from the first pixel to where the layer now ends. */
  readonly ghosts: readonly { readonly x0: number; readonly x1: number; readonly thick: number }[];
  /** Features there to be seen at this stage or made later, nearest the fibre end first. */
  readonly features: readonly SheetFeature[];
  /** Two neighbours too close to tell apart at this scale. */
  readonly close: { readonly from: SheetFeature; readonly to: SheetFeature } | null;
}

const THICKEST = 66;
const THICKEST_SCALE = 34;
const TOO_CLOSE_PX = 13;

/** Lays a run sheet out across a width as it stands after a line; a line past the last shows it finished. */
export function bandGeometry(sheet: RunSheet, line: number, width: number): BandGeometry {
  const drawing = endDrawing(sheet, line);
  const narrow = width < 560;
  const tail = Math.max(40, width * (narrow ? 0.1 : 0.15));
  const { midRun } = drawing;
  const scale = bandScale(drawing.stretches, width, midRun ? tail : narrow ? 16 : 34, tail);
  const outer = (drawing.layers[0]?.diameter ?? 1000) / 1000;
  const pxPerMm = Math.min(((narrow ? 0.8 : 1) * THICKEST) / outer, THICKEST_SCALE);
  const thick = (diameter: number) => Math.max(1.6, (diameter / 1000) * pxPerMm);
  const right = scale.stretches.at(-1)?.x1 ?? width;
  const { yarn } = drawing;
  return {
    scale,
    thickness: { pxPerMm, times: pxPerMm / scale.pxPerMm },
    layers: drawing.layers.flatMap(({ kind, hue, diameter, from, beside }): DrawnLayer[] => {
      const drawn = {
        layer: { kind, hue },
        x1: right,
        thick: thick(diameter),
        beside: (beside / 1000) * pxPerMm,
      };
      if (!midRun) return [{ ...drawn, x0: scale.x(from) }];
      // Whole, it goes right through; opened, it lies to either side.
      if (from === 0) return [{ ...drawn, x0: 0 }];
      return [
        { ...drawn, x0: scale.x(from) },
        { ...drawn, x0: 0, x1: scale.x(-from), edge: "x1" },
      ];
    }),
    yarn:
      yarn === null || midRun
        ? null
        : {
            root: scale.x(yarn.root),
            cutAt: yarn.cutAt === null ? null : scale.x(yarn.cutAt),
            folded: yarn.folded,
            jacketThick: thick(yarn.jacket),
            bufferThick: yarn.buffer === null ? LEAST_BUFFER : thick(yarn.buffer),
          },
    ghosts: drawing.removed.map(({ to, diameter }) => ({
      x0: scale.x(midRun ? -to : 0),
      x1: scale.x(to),
      thick: thick(diameter),
    })),
    features: drawing.features,
    close: tooClose(drawing.features, scale),
  };
}

/** What strands are drawn around where nothing says how thick that is, pixels. */
const LEAST_BUFFER = 10;

function tooClose(features: readonly SheetFeature[], scale: BandScale): BandGeometry["close"] {
  const pairs = features.slice(1).map((to, i) => ({ from: mustHoldAt(features, i), to }));
  return (
    pairs.find(
      ({ from, to }) =>
        to.position > from.position && scale.x(to.position) - scale.x(from.position) < TOO_CLOSE_PX,
    ) ?? null
  );
}

/** Thickness of whatever is outermost at a place, pixels. */
export function thickAt(geometry: BandGeometry, x: number): number {
  return Math.max(
    4,
    ...geometry.layers
      .filter(
        ({ layer, x0, x1, beside }) =>
          layer.kind !== "yarn" && beside === 0 && x0 <= x + 0.5 && x <= x1 + 0.5,
      )
      .map(({ thick }) => thick),
  );
}

/** Where a reading of a length lands on the cable, from the feature it is measured from. */
export function readingPosition(sheet: RunSheet, from: string, value: number): number {
  return featureOf(sheet, from).position + value;
}
