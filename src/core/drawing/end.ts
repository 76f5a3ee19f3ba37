import { BESIDE, type Layer, type LayerKind } from "../cable/cable";
import { type Length, um } from "../length/length";
import type { RunSheet, SheetFeature } from "../runsheet/document";
import { isMidRun, layersAfter } from "../runsheet/runsheet";
import { type DrawnStretch, drawnStretches } from "./stretches";

/** A layer as it stands: from where it now ends on into the cable. Micrometres. */
interface LayerShape {
  readonly kind: LayerKind;
  readonly hue: Layer["hue"];
  readonly diameter: Length;
  readonly from: Length;
  /** Half the distance between two that lie either side of the core; 0 for a layer around it. */
  readonly beside: number;
}

/** What has been taken off, as an outline from the fibre end to where the layer now ends. */
interface RemovedShape {
  readonly kind: LayerKind;
  readonly to: Length;
  readonly diameter: Length;
}

/** Strength yarn where it comes out of the jacket. */
interface YarnShape {
  /** Where the jacket ends. */
  readonly root: Length;
  /** Where the strands end; null while they are whole. */
  readonly cutAt: Length | null;
  readonly folded: boolean;
  readonly jacket: Length;
  /** What the strands lie around; null where nothing says how thick that is. */
  readonly buffer: Length | null;
}

/** A place written on a drawing, and how far from the cable end it is said to be. */
interface WrittenPlace {
  readonly feature: string;
  readonly at: Length;
  readonly fromEnd: Length;
}

/** A prepared end as shapes, 0 at the cable end and positive back into the cable; pens put it on screen and on paper. */
interface EndDrawing {
  /** In the middle of a cable's run: everything lies as far to the other side of 0 too. */
  readonly midRun: boolean;
  /** From the outside in. */
  readonly layers: readonly LayerShape[];
  readonly removed: readonly RemovedShape[];
  readonly yarn: YarnShape | null;
  /** There to be seen at this stage or made later, nearest the fibre end first. */
  readonly features: readonly SheetFeature[];
  /** Every mark and cut that has a figure, nearest the fibre end first. */
  readonly written: readonly WrittenPlace[];
  /** What of the axis is drawn; between two of them length is left out. */
  readonly stretches: readonly DrawnStretch[];
}

/**
 * The end of a run sheet as it stands after a line; a line past the last is the finished one.
 * @example endDrawing(sheet, 0).layers.map(({ kind }) => kind) // ["jacket", "yarn", "buffer", "coating", "glass"]
 */
export function endDrawing(sheet: RunSheet, line: number): EndDrawing {
  const stands = layersAfter(sheet, line);
  const features = sheet.features
    .filter(({ kind, madeAt }) => kind !== "part" || madeAt <= line)
    .sort((a, b) => a.position - b.position);
  const layers = sheet.layers.map(
    ({ kind, hue, diameter }, i): LayerShape => ({
      kind,
      hue,
      diameter,
      from: stands[i]?.edge ?? um(0),
      beside: BESIDE.includes(kind) ? besideAt(sheet.layers, i) : 0,
    }),
  );
  const midRun = isMidRun(sheet);
  const places = features.map(({ position }) => position);
  return {
    midRun,
    layers,
    removed: layers
      .filter(({ kind, from }, i) => from > 0 && (kind === "glass" || i === 0))
      .map(({ kind, from, diameter }) => ({ kind, to: from, diameter })),
    yarn: yarnOf(sheet, line, layers),
    features,
    written: writtenOn(sheet),
    stretches: drawnStretches(midRun ? [...places, ...places.map((place) => -place)] : places),
  };
}

/** Where what lies beside the core is drawn: in the wall between the ring outside it and the next one inside. */
function besideAt(layers: RunSheet["layers"], at: number): number {
  const ring = (list: RunSheet["layers"]) => list.find(({ kind }) => !BESIDE.includes(kind))?.diameter ?? 0;
  const outer = ring(layers.slice(0, at).reverse());
  const inner = ring(layers.slice(at + 1));
  const share = layers[at]?.kind === "ripcord" ? 0.2 : 0.5;
  return (inner + (outer - inner) * share) / 2;
}

function yarnOf(sheet: RunSheet, line: number, layers: readonly LayerShape[]): YarnShape | null {
  const of = (kind: LayerKind) => layers.find((layer) => layer.kind === kind);
  const jacket = of("jacket");
  if (!jacket || jacket.from === 0) return null;
  const yarn = of("yarn");
  return {
    root: jacket.from,
    cutAt: yarn && yarn.from > 0 ? yarn.from : null,
    folded: sheet.lines.slice(0, line + 1).some(({ step }) => step.kind === "fold"),
    jacket: jacket.diameter,
    buffer: of("buffer")?.diameter ?? null,
  };
}

/**
 * A place known by measurement is shown to a tenth of a millimetre; one that lies at its figure, as that says it.
 * @example toldPlace(um(48_500), um(48_000)) // 48500
 */
export const toldPlace = (at: Length, figure: Length): Length =>
  Math.abs(at - figure) <= 50 ? figure : um(Math.round(at / 100) * 100);

function writtenOn(sheet: RunSheet): WrittenPlace[] {
  const places = new Map(sheet.features.map(({ id, position }) => [id, position]));
  const figures = new Map(sheet.lines.flatMap(({ figure }) => (figure ? [[figure.feature, figure]] : [])));
  return [...figures.values()]
    .map(({ feature, fromEnd }) => {
      const at = places.get(feature) ?? fromEnd;
      return { feature, at, fromEnd: toldPlace(at, fromEnd) };
    })
    .sort((a, b) => a.at - b.at);
}
