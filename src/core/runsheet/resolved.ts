import { type Cable, depthOver } from "../cable/cable";
import { um } from "../length/length";
import { holds, type Picked } from "../procedure/condition";
import type { Procedure, ProcedurePart } from "../procedure/procedure";
import type { Remedy } from "../procedure/remedy";
import { answerAction } from "../procedure/remedy-text";
import { madeBy, type Step } from "../procedure/step";
import { confirmationOf, figureKey, figuresFor, isRepresentative, type Stated } from "./stated";
import { worded } from "./worded";

/** A procedure for one cable and what was picked of it: only what holds, by the figures that hold. */
export interface Resolved {
  readonly procedure: Procedure;
  readonly cable: Cable;
  readonly picked: Picked;
  readonly steps: readonly Step[];
  /** Where each of those steps stands in the document, and which of its cases was put over it; null for none. */
  readonly written: readonly { readonly at: number; readonly caseIndex: number | null }[];
  readonly dimensions: readonly Stated[];
  readonly parts: readonly ProcedurePart[];
  readonly retries: Procedure["retries"];
}

/**
 * Resolves a procedure, once: everything that is worked out of it starts from what this answers.
 * @example resolved(stub, cord, picked).steps.length < stub.steps.length // true
 */
export function resolved(procedure: Procedure, cable: Cable, picked: Picked): Resolved {
  const here = <T extends { readonly when?: Parameters<typeof holds>[0] }>(item: T) =>
    holds(item.when, cable, picked);
  const isDone = (remedy: Remedy) => "words" in remedy || here(remedy);
  const retries = procedure.retries.filter(here);
  const written = procedure.steps.flatMap((step, at) => {
    if (!here(step)) return [];
    const caseIndex = step.cases.findIndex(here);
    return [{ step, at, caseIndex: caseIndex < 0 ? null : caseIndex }];
  });
  const figures = figuresFor(procedure, cable, picked);
  const parts = procedure.parts.filter(here);
  const steps = written.map(({ step, caseIndex }) =>
    worded(withDepth(withCase(step, caseIndex), procedure, cable), figures, parts),
  );
  return {
    procedure,
    cable,
    picked,
    steps: steps.map((step) => withActions(step, retries, steps)),
    written: written.map(({ at, caseIndex }) => ({ at, caseIndex })),
    dimensions: figures.map((figures) => {
      const key = figureKey(figures.id, figures.caseIndex);
      const confirmation = confirmationOf(procedure, key);
      return {
        ...figures,
        ifLong: figures.ifLong.filter(isDone),
        ifShort: figures.ifShort.filter(isDone),
        representative: isRepresentative(procedure, key),
        ...(confirmation && { confirmation }),
      };
    }),
    parts,
    retries,
  };
}

/** A look whose bad answers say what may be tried here: what a school rules out is left out. */
function withActions(step: Step, retries: Procedure["retries"], steps: readonly Step[]): Step {
  if (!("judgement" in step) || !step.judgement) return step;
  const { judgement } = step;
  const answers = judgement.answers.map((answer) =>
    answer.good ? answer : { ...answer, action: answerAction(answer, retries, steps) },
  );
  return { ...step, judgement: { ...judgement, answers } };
}

/** A step with one of its cases put over it. */
function withCase(step: Step, caseIndex: number | null): Step {
  const statedCase = caseIndex === null ? undefined : step.cases[caseIndex];
  if (!statedCase) return step;
  const { when: _, ...changes } = statedCase;
  const given = Object.entries(changes).filter(([, value]) => value !== undefined);
  return Object.assign({}, step, Object.fromEntries(given));
}

/** The finest step a blade's depth is set by, micrometres. */
const DEPTH_STEP = 50;

/** A step whose blade goes so much of a wall deep, with the depth that is on this cable. */
function withDepth(step: Step, { features }: Procedure, cable: Cable): Step {
  const { setting } = step;
  if (setting?.kind !== "share") return step;
  const feature = features.find(({ id }) => id === madeBy(step));
  const layer = step.kind === "remove" ? step.layers[0] : feature?.ends[0];
  const wall = layer === undefined ? null : depthOver(cable, layer);
  if (wall === null) return { ...step, setting: undefined };
  const depth = um(Math.max(DEPTH_STEP, Math.floor((wall * setting.share) / DEPTH_STEP) * DEPTH_STEP));
  return { ...step, setting: { kind: "depth", depth } };
}
