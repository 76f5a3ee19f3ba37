import { LAYER_KINDS } from "../cable/cable";
import type { Length } from "../length/length";
import type { ProcedureDocument } from "../procedure/procedure";
import type { DraftKit } from "./kit";

export type PlannedLayer = ProcedureDocument["startsAt"];

/** On which side of its datum a length ends: behind it, towards the cable, or in front of it, towards the fibre's end. */
export type Side = "behind" | "front";

/** A length of a procedure as somebody means it, before it is steps. */
export interface PlannedLength {
  readonly id: string;
  readonly name: string;
  /** Id of the planned length it is laid off from; `END` for the end of the cable. */
  readonly from: string;
  readonly side: Side;
  readonly nominal: Length;
  readonly plus: Length | null;
  readonly minus: Length | null;
  /** A mark that is drawn, the glass cleaved, or the layer that is taken off back to it. */
  readonly makes: "mark" | "cleave" | PlannedLayer;
  /** Tool a layer is taken off with; null for the usual one. */
  readonly tool: string | null;
}

export const END = "cable-end";

/** A name as an id: `Jacket edge` is `jacket-edge`. */
export const slug = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 50) || "length";

/** The feature a length makes. */
export const featureIdOf = ({ id, makes }: Pick<PlannedLength, "id" | "makes">): string =>
  makes === "cleave" ? "glass-end" : `${id}-at`;

/** The feature's name: `Jacket` ends at the `Jacket edge`. */
export const featureNameOf = ({ name, makes }: Pick<PlannedLength, "name" | "makes">): string => {
  if (makes === "cleave") return "cleaved end";
  return makes === "mark" || /edge/i.test(name) ? name : `${name} edge`;
};

/**
 * The layers that come off together. A tight buffer takes the coating along unless the coating ends at a length of its
 * own.
 */
export function layersOff(
  { makes }: Pick<PlannedLength, "makes">,
  all: readonly Pick<PlannedLength, "makes">[],
): PlannedLayer[] {
  if (makes === "mark" || makes === "cleave") return [];
  return makes === "buffer" && !all.some((other) => other.makes === "coating")
    ? ["buffer", "coating"]
    : [makes];
}

/** How deep inside the cable a layer lies: greater is further in. */
export const depthOf = (layer: PlannedLayer): number => LAYER_KINDS.indexOf(layer);

const TOOLS: Partial<Record<PlannedLayer, keyof DraftKit["tools"]>> = {
  sheath: "jacket",
  jacket: "jacket",
  "inner-jacket": "jacket",
  yarn: "yarn",
  tube: "tube",
  buffer: "buffer",
  coating: "coating",
};

/**
 * The usual tool of the kit for what a length makes; null where the kit has none.
 * @example usualTool("mark", kit) // "rule-and-pen"
 */
export function usualTool(makes: PlannedLength["makes"], { tools }: Pick<DraftKit, "tools">): string | null {
  if (makes === "mark" || makes === "cleave") return tools[makes];
  const by = TOOLS[makes];
  return by === undefined ? null : tools[by];
}
