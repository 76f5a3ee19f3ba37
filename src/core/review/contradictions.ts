import type { Cable } from "../cable/cable";
import { closeLimits } from "../dimensions/dimensions";
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
}

/** What can be picked on a cable: the defaults, and each other option by itself. */
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
  const conditions = dimensions.flatMap(({ when, cases }) => [when, ...cases.map((one) => one.when)]);
  const named = new Set(conditions.flatMap((condition) => Object.keys(condition?.choice ?? {})));
  return choices.filter(({ id }) => named.has(id));
}

/**
 * Every contradiction among a procedure's figures, over the cables it goes on and each option by itself.
 * The same figures are looked at once, however many cables share them.
 * @returns one a chain, each the one with the fewest limits.
 */
export function contradictionsOf(procedure: Figures, cables: readonly Cable[]): Contradiction[] {
  const telling = { ...procedure, choices: choicesOfFigures(procedure) };
  const seen = new Set<string>();
  const found = new Map<string, Contradiction>();
  for (const cable of cables)
    for (const core of cable.cores.filter((one) => misfits(procedure, cable, one).length === 0))
      for (const picked of variantsOf(telling, cable, core)) {
        const dimensions = figuresFor(procedure, cable, picked);
        const key = dimensions.map(({ id, caseIndex }) => `${id}/${caseIndex}`).join();
        if (seen.has(key)) continue;
        seen.add(key);
        const closed = closeLimits({ features: procedure.features.map(({ id }) => id), dimensions });
        if (closed.consistent) continue;
        const { ids, shortBy } = closed.conflict;
        const message = spokenConflict(procedure, dimensions, closed.conflict);
        if (!found.has(message)) found.set(message, { ids, shortBy, message, cable: cable.name });
      }
  return [...found.values()];
}
