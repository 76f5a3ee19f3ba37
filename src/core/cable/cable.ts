import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { zDocumentId, zName } from "../names/names";
import { said } from "../words/core";
import { zElements } from "./element-group";

/** Every cable construction the product knows, outermost habit first. */
export const CONSTRUCTIONS = [
  "simplex-cord",
  "duplex-cord",
  "tight-buffer-distribution",
  "breakout",
  "stranded-loose-tube",
  "armoured-loose-tube",
  "central-tube-ribbon",
  "armoured-ribbon",
  /** One ribbon out of its opened tube. */
  "ribbon",
  "flat-drop",
  "indoor-drop",
  "furcation-tube",
  "harness",
  /** Opened in the middle of its run: it has no end there. */
  "mid-span",
] as const;

/** Core and cladding diameters, µm; two ends joined must have the same. Copper for a cable of conductors. */
export const CORES = ["9/125", "50/125", "62.5/125", "copper"] as const;

export const zCore = z.enum(CORES, said("core-must-be-one-of", { cores: CORES.join(", ") }));
export type Core = z.output<typeof zCore>;

/** Materials as they are drawn, from the outside in. */
export const LAYER_KINDS = [
  "sheath",
  "jacket",
  "armour",
  "inner-jacket",
  "yarn",
  "rods",
  "ripcord",
  "tape",
  "shield",
  "tube",
  "ribbon",
  "conductor",
  "buffer",
  "coating",
  "glass",
] as const;
export type LayerKind = (typeof LAYER_KINDS)[number];

/** Layers that lie beside the core or in the sheath: their diameter is their own, not that of a ring. */
export const BESIDE: readonly LayerKind[] = ["rods", "ripcord"];

export const zSource = z.strictObject({
  kind: z.enum(["representative", "own"], said("source-must-be-representative-or-the-users")),
  note: z.string().max(500),
  date: z.iso.date(),
});

/** Where figures come from: the product's own representative ones, or confirmed by a user against the part's sheet. */
export type Source = z.output<typeof zSource>;

/** One layer of a cable, with the diameter it is shown by. */
export const zLayer = z.strictObject({
  kind: z.enum(LAYER_KINDS),
  name: zName,
  diameter: zMmNotNegative.refine(
    (value) => value > 0 && value <= 60_000,
    said("diameter-must-be-greater-than-0-and"),
  ),
  /** Thickness of its wall, where what it holds lies loose in it: a tube, the sheath of a bundle. */
  wall: zMmNotNegative.optional(),
  /** Diameter of all that stands in the way where it is laid back over what is around it: yarn, a shield. */
  laid: zMmNotNegative.optional(),
  /** Colour of the material as made, a name the drawing knows. */
  hue: z.enum(["yellow", "orange", "aqua", "grey", "black", "white", "blue", "gold", "clear"]),
});

/** Grades of fibre (ITU-T G.652, G.657). */
export const GRADES = ["G.652", "G.657.A1", "G.657.A2"] as const;

const zWound = z.strictObject({
  pitch: zMmNotNegative.refine((value) => value > 0, said("pitch-must-be-greater-than-0")),
  diameter: zMmNotNegative,
  /** Along the sheath from one reversal to the next; 0 where it winds one way for good. */
  reversal: zMmNotNegative,
});

export const zCable = z.strictObject({
  id: zDocumentId,
  revision: z.number().int().min(1),
  source: zSource,
  name: zName,
  /** What tells it apart at a glance, in a few words. */
  about: z.string().max(300),
  construction: z.enum(CONSTRUCTIONS),
  /** Of a cable opened in the middle of its run: its own construction. */
  inRun: z.enum(CONSTRUCTIONS).optional(),
  fibreCount: z.number().int().min(1).max(6912),
  /** Fibres in one tube, ribbon or sub-unit, where that is what one end takes. */
  perUnit: z.number().int().min(1).max(432).optional(),
  cores: z.array(zCore).min(1),
  /** How the 900 µm buffer holds the coating: tight grips, semi-tight slides off once scored. */
  grip: z.enum(["tight", "semi-tight"]).nullable(),
  /** Each leg of a cord that ends in its own fibre: [""] for one. */
  legs: z.array(z.string().max(10)).min(1),
  /** Grade of its glass by ITU-T, where that is known: how far a bare fibre may be bent. */
  grade: z.enum(GRADES, said("grade-must-be-one-of", { grades: GRADES.join(", ") })).optional(),
  /** Least radii by its own sheet, at rest and under pull; without them, multiples of its diameter. */
  bends: z.strictObject({ atRest: zMmNotNegative, underLoad: zMmNotNegative }).optional(),
  /** How its tubes are wound, where that is known: once round in the pitch, on a diameter, turning back at each reversal. */
  lay: zWound.optional(),
  /** What it holds, where that does not follow from construction and counts: ribbons of so many in a tube. */
  elements: zElements.optional(),
  /** From the outside in. */
  layers: z
    .array(zLayer)
    .min(1)
    .refine(
      (layers) =>
        layers
          .filter(({ kind }) => !BESIDE.includes(kind))
          .every((layer, i, rings) => i === 0 || layer.diameter <= (rings[i - 1]?.diameter ?? 0)),
      said("list-layers-from-the-outside-in-each"),
    )
    .refine(
      (layers) => new Set(layers.map(({ kind }) => kind)).size === layers.length,
      said("list-each-kind-of-layer-once"),
    ),
});

/** One cable construction as it comes off the drum. */
export type Cable = z.output<typeof zCable>;
export type Layer = Cable["layers"][number];

/**
 * Diameter of a layer, micrometres; null when the cable has none of that kind.
 * @example diameterOf(cord, "jacket") // 3000
 */
export function diameterOf(cable: Cable, kind: LayerKind): number | null {
  return cable.layers.find((layer) => layer.kind === kind)?.diameter ?? null;
}

/** Whatever is made of layers: a cable, or what of it is in hand. */
type Layered = { readonly layers: readonly Layer[] };

/** A ring's next ring inwards, whatever lies beside the core or in the sheath left out. */
const insideOf = (cable: Layered, kind: LayerKind): Layer | undefined =>
  cable.layers
    .slice(cable.layers.findIndex((layer) => layer.kind === kind) + 1)
    .find((layer) => !BESIDE.includes(layer.kind));

/**
 * Thickness of a layer's wall, micrometres: as stated, else half of what its diameter exceeds that of the ring inside it.
 * @returns null when the cable has no such layer, or nothing says how thick it is.
 * @example wallOf(cord, "jacket") // 400
 */
export function wallOf(cable: Layered, kind: LayerKind): number | null {
  const layer = cable.layers.find((layer) => layer.kind === kind);
  if (!layer || BESIDE.includes(kind)) return null;
  const inside = insideOf(cable, kind);
  return layer.wall ?? (inside ? (layer.diameter - inside.diameter) / 2 : null);
}

/**
 * How deep a blade may go into a layer before it reaches anything under it, micrometres: its wall, less the ripcords
 * where they lie in its inside.
 * @example depthOver(cord, "yarn") // 650
 */
export function depthOver(cable: Layered, kind: LayerKind): number | null {
  const wall = wallOf(cable, kind);
  if (wall === null) return null;
  const from = cable.layers.findIndex((layer) => layer.kind === kind);
  const until = cable.layers.findIndex((layer, i) => i > from && !BESIDE.includes(layer.kind));
  const cords = cable.layers
    .slice(from + 1, until < 0 ? undefined : until)
    .filter((layer) => layer.kind === "ripcord")
    .map(({ diameter }) => diameter);
  return wall - Math.max(0, ...cords);
}

/** Fibres that one end of this cable brings to the bench: those of a tube or ribbon, else all. */
export const fibresAtEnd = ({ perUnit, fibreCount }: Cable): number => perUnit ?? fibreCount;
