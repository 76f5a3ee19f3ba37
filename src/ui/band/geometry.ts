import { BESIDE, featureOf, layersAfter, mustHoldAt, type RunSheet, type SheetFeature } from "@/core";
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
  const features = sheet.features
    .filter(({ kind, madeAt }) => kind !== "part" || madeAt <= line)
    .sort((a, b) => a.position - b.position);
  const narrow = width < 560;
  const scale = bandScale(
    features.map(({ position }) => position),
    width,
    narrow ? 16 : 34,
    Math.max(40, width * (narrow ? 0.1 : 0.15)),
  );
  const outer = (sheet.layers[0]?.diameter ?? 1000) / 1000;
  const pxPerMm = Math.min(((narrow ? 0.8 : 1) * THICKEST) / outer, THICKEST_SCALE);
  const thick = (diameter: number) => Math.max(1.6, (diameter / 1000) * pxPerMm);
  const right = scale.stretches.at(-1)?.x1 ?? width;
  const stands = layersAfter(sheet, line);
  const layers = sheet.layers.map(
    (layer, i): DrawnLayer => ({
      layer,
      x0: scale.x(stands[i]?.edge ?? 0),
      x1: right,
      thick: thick(layer.diameter),
      beside: BESIDE.includes(layer.kind) ? besideAt(sheet.layers, i, pxPerMm) : 0,
    }),
  );
  const edgeOf = (kind: string) => stands.find((one) => one.kind === kind)?.edge ?? 0;
  const jacket = layers.find(({ layer }) => layer.kind === "jacket");
  const yarnCut = edgeOf("yarn");
  const yarn: YarnState | null =
    jacket && edgeOf("jacket") > 0
      ? {
          root: jacket.x0,
          cutAt: yarnCut > 0 ? scale.x(yarnCut) : null,
          folded: sheet.lines.slice(0, line + 1).some(({ step }) => step.kind === "fold"),
          jacketThick: jacket.thick,
          bufferThick: layers.find(({ layer }) => layer.kind === "buffer")?.thick ?? 10,
        }
      : null;
  const removed = layers.filter(
    ({ x0, layer }) => x0 > scale.x(0) && (layer.kind === "glass" || layer === sheet.layers[0]),
  );
  return {
    scale,
    thickness: { pxPerMm, times: pxPerMm / scale.pxPerMm },
    layers,
    yarn,
    ghosts: removed.map(({ x0, thick: height }) => ({ x0: scale.x(0), x1: x0, thick: height })),
    features,
    close: tooClose(features, scale),
  };
}

/** Where what lies beside the core is drawn: in the wall between the ring outside it and the next one inside. */
function besideAt(layers: RunSheet["layers"], at: number, pxPerMm: number): number {
  const ring = (list: RunSheet["layers"]) => list.find(({ kind }) => !BESIDE.includes(kind))?.diameter ?? 0;
  const outer = ring(layers.slice(0, at).reverse());
  const inner = ring(layers.slice(at + 1));
  const share = layers[at]?.kind === "ripcord" ? 0.2 : 0.5;
  return ((inner + (outer - inner) * share) / 2 / 1000) * pxPerMm || 1;
}

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
      .filter(({ layer, x0, beside }) => layer.kind !== "yarn" && beside === 0 && x0 <= x + 0.5)
      .map(({ thick }) => thick),
  );
}

/** Where a reading of a length lands on the cable, from the feature it is measured from. */
export function readingPosition(sheet: RunSheet, from: string, value: number): number {
  return featureOf(sheet, from).position + value;
}
