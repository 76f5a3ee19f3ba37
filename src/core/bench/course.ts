import { BESIDE, type LayerKind } from "../cable/cable";
import { holds } from "../procedure/condition";
import type { Subject } from "../procedure/physical";
import type { ProcedurePart } from "../procedure/procedure";
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
  /** Parts that go on at a thread step, in their order. */
  readonly goingOn: (step: Step) => readonly ProcedurePart[];
  /** Parts brought to their place at a step. */
  readonly broughtAt: (step: string) => readonly ProcedurePart[];
  /** Looks the joint needs before the fibre goes in, before it is closed and after. */
  readonly due: Readonly<Record<"before" | "seat" | "closed", readonly Subject[]>>;
  /** What is looked at anywhere on the sheet. */
  readonly looks: (subject: Subject) => boolean;
}

export function courseOf(placement: LaidOut): Course {
  const { cable, picked, procedure, steps, placed, parts } = placement;
  const first = cable.layers.findIndex(({ kind }) => kind === procedure.startsAt);
  const kinds = new Set(steps.map(({ kind }) => kind));
  const subjects = new Set(steps.flatMap(({ of }) => of ?? []));
  const named = new Set(steps.flatMap((step) => (step.kind === "thread" ? (step.parts ?? []) : [])));
  const due = (which: "before" | "seat" | "closed") =>
    (procedure.joint?.[which] ?? []).filter(({ when }) => holds(when, cable, picked)).map(({ of }) => of);
  return {
    placement,
    rings: cable.layers.slice(Math.max(0, first)).filter(({ kind }) => !LOOSE.includes(kind)),
    has: (kind) => kinds.has(kind),
    at: (feature) => placed.get(feature)?.position ?? 0,
    goingOn: (step) => {
      if (step.kind !== "thread") return [];
      const own = step.parts;
      return own
        ? own.flatMap((id) => parts.find((part) => part.id === id) ?? [])
        : parts.filter(({ id }) => !named.has(id));
    },
    broughtAt: (step) => parts.filter(({ neededAt }) => neededAt === step),
    due: { before: due("before"), seat: due("seat"), closed: due("closed") },
    looks: (subject) => subjects.has(subject),
  };
}

/** Whether what goes in here is fibre pushed through tubes of its own: each comes out as an end to go on with. */
export const isThreading = ({ placement: { procedure } }: Course): boolean =>
  procedure.opensOnto?.into !== undefined;

/** The layers a step takes off, and the feature it takes them off back to. */
export function takenOff(step: Step, { placement }: Course): { layers: readonly LayerKind[]; to: string } {
  if (step.kind === "remove") return step;
  if (step.kind !== "trim") return { layers: [], to: "" };
  return { layers: placement.placed.get(step.makes)?.feature.ends ?? [], to: step.makes };
}
