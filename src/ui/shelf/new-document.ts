import { type Cable, type ProcedureDocument, toMm } from "@/core";

export const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 60);

export const free = (id: string, taken: readonly string[]): string => {
  let [first, n] = [id || "own-sheet", 2];
  while (taken.includes(first)) first = `${id}-${n++}`;
  return first;
};

/** What a procedure drafted for a cable applies to: that construction, and diameters as that cable's. */
export function appliesTo(cable: Cable): ProcedureDocument["appliesTo"] {
  const outer = cable.layers.find(({ kind }) => kind === "jacket");
  const about = outer && { min: toMm(outer.diameter) - 0.2, max: toMm(outer.diameter) + 0.2 };
  const rounded = about && {
    min: Math.round(about.min * 1000) / 1000,
    max: Math.round(about.max * 1000) / 1000,
  };
  return {
    constructions: [cable.construction],
    cores: [...cable.cores],
    ...(rounded ? { jacket: rounded } : {}),
  };
}
