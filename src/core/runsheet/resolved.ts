import type { Cable } from "../cable/cable";
import { holds, type Picked } from "../procedure/condition";
import type { Procedure, ProcedurePart } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import { figureKey, figuresFor, isRepresentative, type Stated } from "./stated";

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

/** Resolves a procedure, once: everything that is worked out of it starts from what this answers. */
export function resolved(procedure: Procedure, cable: Cable, picked: Picked): Resolved {
  const here = <T extends { readonly when?: Parameters<typeof holds>[0] }>(one: T) =>
    holds(one.when, cable, picked);
  const written = procedure.steps.flatMap((step, at) => {
    if (!here(step)) return [];
    const found = step.cases.findIndex(here);
    return [{ step, at, caseIndex: found < 0 ? null : found }];
  });
  return {
    procedure,
    cable,
    picked,
    steps: written.map(({ step, caseIndex }) => withCase(step, caseIndex)),
    written: written.map(({ at, caseIndex }) => ({ at, caseIndex })),
    dimensions: figuresFor(procedure, cable, picked).map((figures) => ({
      ...figures,
      representative: isRepresentative(procedure, figureKey(figures.id, figures.caseIndex)),
    })),
    parts: procedure.parts.filter(here),
    retries: procedure.retries.filter(here),
  };
}

/** A step with one of its cases put over it. */
function withCase(step: Step, caseIndex: number | null): Step {
  const found = caseIndex === null ? undefined : step.cases[caseIndex];
  if (!found) return step;
  const { when: _, ...changes } = found;
  const given = Object.entries(changes).filter(([, value]) => value !== undefined);
  return { ...step, ...Object.fromEntries(given) } as Step;
}
