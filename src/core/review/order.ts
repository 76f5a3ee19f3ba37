import { BESIDE, type LayerKind } from "../cable/cable";
import { madeBy, type Step } from "../procedure/step";
import type { Contradiction } from "./contradictions";
import type { Placement } from "./placements";

/** Yarn can be cut under a jacket that is still on and a shield folded back; rods and ripcords lie beside the core. */
const LOOSE: readonly LayerKind[] = ["yarn", "shield", ...BESIDE];

/**
 * Steps that cannot be done when they come: a layer taken off while the one around it is still on, glass cleaved before
 * it is bare, a mark on a layer that is gone there. The first trouble of each step.
 */
export function outOfOrder(placement: Placement): Contradiction[] {
  const { cable, steps, placed } = placement;
  const bared = new Map<LayerKind, number>();
  return steps.flatMap((step) => {
    const trouble = troubleAt(step, bared, placement);
    const { layers, to } = takenOff(step, placement);
    const back = placed.get(to)?.position ?? 0;
    for (const layer of layers) bared.set(layer, Math.max(back, bared.get(layer) ?? 0));
    if (trouble === null) return [];
    const own = placed.get(madeBy(step) ?? "")?.own;
    const ids = own ? [own.dimension.id] : [];
    return [{ ids, shortBy: 0, message: `Step “${step.title}”: ${trouble}`, cable: cable.name }];
  });
}

/** The layers a step takes off, and the feature it takes them off back to. */
function takenOff(step: Step, { placed }: Placement): { layers: readonly LayerKind[]; to: string } {
  if (step.kind === "remove") return step;
  if (step.kind !== "trim") return { layers: [], to: "" };
  return { layers: placed.get(step.makes)?.feature.ends ?? [], to: step.makes };
}

/** Layers of the cable in hand that lie one around the other, the outermost first. */
function ringsOf({ cable, procedure }: Placement): Placement["cable"]["layers"] {
  const first = cable.layers.findIndex(({ kind }) => kind === procedure.startsAt);
  return cable.layers.slice(Math.max(0, first)).filter(({ kind }) => !LOOSE.includes(kind));
}

function troubleAt(step: Step, bared: ReadonlyMap<LayerKind, number>, placement: Placement): string | null {
  const rings = ringsOf(placement);
  const at = (feature: string) => placement.placed.get(feature)?.position ?? 0;
  if (step.kind === "remove") {
    const inner = rings.findLastIndex(({ kind }) => step.layers.includes(kind));
    const around = rings
      .slice(0, Math.max(0, inner))
      .find(({ kind }) => !step.layers.includes(kind) && (bared.get(kind) ?? 0) < at(step.to));
    return around ? `the ${around.name} around it is still on there. Take that off first.` : null;
  }
  if (step.kind === "cleave") {
    const covered = rings.find(({ kind }) => kind !== "glass" && (bared.get(kind) ?? 0) <= at(step.makes));
    return covered ? `the glass is not bare there: the ${covered.name} is still on. Strip it first.` : null;
  }
  if (step.kind === "mark") {
    const cover = rings.filter(({ kind }) => kind !== "glass").at(-1);
    return cover && (bared.get(cover.kind) ?? 0) > at(step.makes)
      ? `the ${cover.name} is off there, and nothing is drawn on bare glass. Draw the mark before it is stripped.`
      : null;
  }
  return null;
}
