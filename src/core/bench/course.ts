import { BESIDE, type LayerKind } from "../cable/cable";
import type { Step, StepKind } from "../procedure/step";
import type { Placed } from "../runsheet/placing";
import type { Resolved } from "../runsheet/resolved";

/** Yarn can be cut under a jacket that is still on and a shield folded back; rods and ripcords lie beside the core. */
const LOOSE: readonly LayerKind[] = ["yarn", "shield", ...BESIDE];

/** A procedure laid out on one cable: what of it holds there, and where each feature comes to lie. */
export interface LaidOut extends Resolved {
  readonly placed: ReadonlyMap<string, Placed>;
}

/** What a whole sheet does, so that a step can be held against what comes before and after it. */
export interface Course {
  readonly placement: LaidOut;
  /** Layers in hand that lie one around the other, the outermost first. */
  readonly rings: LaidOut["cable"]["layers"];
  /** Kinds of step the sheet has anywhere. */
  readonly has: (kind: StepKind) => boolean;
  /** How far back from the cable end a feature lies, micrometres. */
  readonly at: (feature: string) => number;
}

export function courseOf(placement: LaidOut): Course {
  const { cable, procedure, steps, placed } = placement;
  const first = cable.layers.findIndex(({ kind }) => kind === procedure.startsAt);
  const kinds = new Set(steps.map(({ kind }) => kind));
  return {
    placement,
    rings: cable.layers.slice(Math.max(0, first)).filter(({ kind }) => !LOOSE.includes(kind)),
    has: (kind) => kinds.has(kind),
    at: (feature) => placed.get(feature)?.position ?? 0,
  };
}

/** The layers a step takes off, and the feature it takes them off back to. */
export function takenOff(step: Step, { placement }: Course): { layers: readonly LayerKind[]; to: string } {
  if (step.kind === "remove") return step;
  if (step.kind !== "trim") return { layers: [], to: "" };
  return { layers: placement.placed.get(step.makes)?.feature.ends ?? [], to: step.makes };
}
