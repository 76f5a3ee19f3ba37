import {
  type Cable,
  compileRunSheet,
  midSpanOf,
  misfits,
  mustHoldAt,
  type Procedure,
  type RunSheet,
  type Tool,
} from "@/core";

/** The first core a cable comes in that a procedure takes. */
const coreOf = (procedure: Procedure, cable: Cable): string =>
  cable.cores.find((core) => misfits(procedure, cable, core).length === 0) ?? mustHoldAt(cable.cores, 0);

const sheetOf = (procedure: Procedure, cable: Cable, tools: readonly Tool[]): RunSheet =>
  compileRunSheet({ procedure, cable, core: coreOf(procedure, cable), choices: {}, tools });

/** How each of some cables is prepared that ends in an entry, by the cable's id. */
export function endingSheets(
  cables: readonly Cable[],
  procedure: Procedure,
  tools: readonly Tool[],
): ReadonlyMap<string, RunSheet> {
  const cache = new Map<string, RunSheet>();
  for (const cable of cables) if (!cache.has(cable.id)) cache.set(cable.id, sheetOf(procedure, cable, tools));
  return cache;
}

/** The sheet of a cable that goes through, opened in the middle of its run; null where the entry takes none so thick. */
export function throughSheet(going: Procedure, cable: Cable, tools: readonly Tool[]): RunSheet | null {
  const of = midSpanOf(cable);
  return misfits(going, of).length === 0 ? sheetOf(going, of, tools) : null;
}
