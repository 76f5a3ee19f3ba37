import type { Cable, Core, Layer, LayerKind } from "../cable/cable";
import type { ElementKind } from "../cable/element-group";
import { InputError } from "../problem/problem";
import { say } from "../words/core";
import { type Address, elementAt } from "./address";

/** The outermost layer each element is left with once it is bared. */
export const OUTERMOST: Readonly<Record<ElementKind, readonly LayerKind[]>> = {
  tube: ["tube"],
  ribbon: ["ribbon"],
  unit: ["jacket"],
  leg: ["jacket", "buffer"],
  fibre: ["buffer", "coating"],
  conductor: ["conductor"],
};

/** How each element goes on as a cable of its own: by which procedures it is worked. */
const CONSTRUCTION: Partial<Record<ElementKind, Cable["construction"]>> = {
  unit: "simplex-cord",
  leg: "simplex-cord",
  ribbon: "ribbon",
};

/**
 * An element of a cable once work has opened onto it, as a cable of its own: the layers it is left with, one fibre or what
 * it holds, the core that was picked. What fits it is asked as of any cable, so one chain runs from sheath to connector.
 * It is the same for all of a kind: where it lies is its place, stated beside it.
 * @param into the tubing it was put into, where it was: a furcation tube takes the place of its outer layers.
 * @throws InputError `no-such-element`.
 * @example opened(loose, [{ kind: "tube", position: 1 }], "9/125").fibreCount // 6
 */
export function opened(cable: Cable, address: Address, core: Core, into: Cable | null = null): Cable {
  const { kind, holds } = elementAt(cable, address);
  if (kind === "cable") return cable;
  const layers = layersFrom(cable, OUTERMOST[kind]);
  if (layers.length === 0)
    throw new InputError(
      "no-such-element",
      say("has-no-that-can-be-worked-by", { cable: cable.name, kind }),
      ["address"],
    );
  const own = {
    name: `${kind} of ${cable.name}`,
    about: cable.about,
    cores: [core],
    source: cable.source,
    revision: cable.revision,
    legs: [""],
  };
  if (into && kind === "fibre")
    return {
      ...into,
      ...own,
      id: idFor(cable, kind, into),
      name: `${own.name}, in a ${into.layers[0]?.name ?? into.name}`,
      layers: [...into.layers],
    };
  const fibres = holds === null ? 1 : holds.count * (holds.of?.count ?? 1);
  return {
    ...own,
    id: idFor(cable, kind, null),
    construction: CONSTRUCTION[kind] ?? (fibres > 1 ? cable.construction : constructionOfFibre(layers)),
    fibreCount: fibres,
    ...(fibres > 1 ? { perUnit: fibres } : {}),
    grip: layers.some((layer) => layer.kind === "buffer") ? cable.grip : null,
    layers,
  };
}

/** A buffered fibre is worked as those of a distribution cable, a bare one as one out of a ribbon or tube. */
const constructionOfFibre = (layers: readonly Layer[]): Cable["construction"] =>
  layers[0]?.kind === "buffer" ? "tight-buffer-distribution" : "furcation-tube";

function layersFrom({ layers }: Cable, outermost: readonly LayerKind[]): Layer[] {
  const first = layers.findIndex(({ kind }) => outermost.includes(kind));
  return first < 0 ? [] : layers.slice(first).filter(({ kind }) => kind !== "ripcord" && kind !== "rods");
}

const MOST = 80;

const idFor = (cable: Cable, kind: ElementKind, into: Cable | null): string =>
  [cable.id, kind, into?.id]
    .filter(Boolean)
    .join(".")
    .slice(0, MOST)
    .replace(/[.-]+$/, "");
