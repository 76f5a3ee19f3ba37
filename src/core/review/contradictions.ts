import type { Cable } from "../cable/cable";
import { findConflict } from "../dimensions/conflict";
import type { Picked } from "../procedure/condition";
import { misfits } from "../procedure/fit";
import { type Figures, optionsFor, withDefaults } from "../procedure/procedure";
import { spokenConflict } from "../runsheet/spoken";
import { figuresFor } from "../runsheet/stated";

/** Figures that cannot hold together, in words, and on which cable that shows. */
export interface Contradiction {
  /** Ids of the dimensions in the chain. */
  readonly ids: readonly string[];
  readonly shortBy: number;
  readonly message: string;
  readonly cable: string;
  /** A step that cannot be done when it comes, or a remedy that moves its length the wrong way. */
  readonly source?: "step" | "remedy";
  /** The step's number in the document, from 1. */
  readonly number?: number;
  /** Features that show the place. */
  readonly features?: readonly string[];
}

/**
 * What can be picked on a cable: the defaults, and each other option by itself.
 * @example [...variantsOf(stub, cord, "9/125")].length // 16
 */
export function* variantsOf(
  procedure: Pick<Figures, "choices">,
  cable: Cable,
  core: string,
): Generator<Picked> {
  const usual = withDefaults(procedure, {});
  yield { core, choices: usual };
  for (const choice of procedure.choices)
    for (const { id } of optionsFor(choice, cable, core))
      if (id !== usual[choice.id]) yield { core, choices: { ...usual, [choice.id]: id } };
}

/** The choices that change any figure: the others need not be tried. */
function choicesOfFigures({ choices, dimensions }: Figures): Figures["choices"] {
  const conditions = dimensions.flatMap(({ when, cases }) => [when, ...cases.map((figure) => figure.when)]);
  const named = new Set(conditions.flatMap((condition) => Object.keys(condition?.choice ?? {})));
  return choices.filter(({ id }) => named.has(id));
}

/** A cable a procedure goes on and what was picked on it, for its figures to be tried on. */
export interface Trial {
  readonly cable: Cable;
  readonly picked: Picked;
}

/**
 * Cables and picked options that between them ask for every set of figures a procedure has, each set once, however many
 * cables share it. No figure's own value has a part in it.
 */
export function trialsOf(procedure: Figures, cables: readonly Cable[]): Trial[] {
  const telling = { choices: choicesOfFigures(procedure) };
  const trials = new Map<string, Trial>();
  for (const cable of cables)
    for (const core of cable.cores.filter((core) => misfits(procedure, cable, core).length === 0))
      for (const picked of variantsOf(telling, cable, core)) {
        const figures = figuresFor(procedure, cable, picked);
        const key = figures.map(({ id, caseIndex }) => `${id}/${caseIndex}`).join();
        if (!trials.has(key)) trials.set(key, { cable, picked });
      }
  return [...trials.values()];
}

/**
 * Every contradiction among a procedure's figures, over the cables it goes on and each option by itself.
 * @returns one a chain, each the one with the fewest limits.
 * @example contradictionsOf(stub, cables) // []
 */
export const contradictionsOf = (procedure: Figures, cables: readonly Cable[]): Contradiction[] =>
  contradictionsIn(procedure, trialsOf(procedure, cables));

/** The same, where it is known on what to try the figures. */
export function contradictionsIn(procedure: Figures, trials: readonly Trial[]): Contradiction[] {
  const features = procedure.features.map(({ id }) => id);
  const contradictions = new Map<string, Contradiction>();
  for (const { cable, picked } of trials) {
    const dimensions = figuresFor(procedure, cable, picked);
    const conflict = findConflict(features, dimensions);
    if (!conflict) continue;
    const { ids, shortBy } = conflict;
    const message = spokenConflict(procedure, dimensions, conflict);
    if (!contradictions.has(message))
      contradictions.set(message, { ids, shortBy, message, cable: cable.name });
  }
  return [...contradictions.values()];
}
