import type { CutPlace, Parted } from "./station";

/**
 * Fibres as they are typed: `7, 13-15`.
 * @returns their numbers in order, each once; null where that cannot be read or goes beyond what there is.
 * @example readFibres("7, 13-15", 24) // [7, 13, 14, 15]
 */
export function readFibres(text: string, most: number): number[] | null {
  if (text.trim() === "") return [];
  const fibres = new Set<number>();
  for (const part of text.split(/[,;]/)) {
    const [, first, last = first] = /^\s*(\d{1,4})\s*(?:[-–]\s*(\d{1,4})\s*)?$/.exec(part) ?? [];
    const [from, to] = [Number(first), Number(last)];
    if (!(from >= 1 && to >= from && to <= most)) return null;
    for (let fibre = from; fibre <= to; fibre++) fibres.add(fibre);
  }
  return [...fibres].sort((a, b) => a - b);
}

/**
 * Fibres as they are written: neighbours together, `7, 13–15`.
 * @example fibresText([7, 13, 14, 15]) // "7, 13–15"
 */
export function fibresText(fibres: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const fibre of fibres) {
    const run = runs.at(-1);
    if (run && fibre === run[1] + 1) run[1] = fibre;
    else runs.push([fibre, fibre]);
  }
  return runs.map(([from, to]) => (from === to ? String(from) : `${from}–${to}`)).join(", ");
}

/**
 * Fibres parted at one place in the opening; those that were parted already keep theirs.
 * @example withParted([7, 8], [{ fibre: 7, at: "upstream" }], "middle") // [{ fibre: 7, at: "upstream" }, { fibre: 8, at: "middle" }]
 */
export const withParted = (fibres: readonly number[], before: readonly Parted[], at: CutPlace): Parted[] =>
  fibres.map((fibre) => ({ fibre, at: before.find((parting) => parting.fibre === fibre)?.at ?? at }));
