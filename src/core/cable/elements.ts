import type { Cable } from "./cable";
import type { ElementGroup } from "./element-group";

/** The part of a cable's document its fibres follow from. */
export type FibreSource = Pick<
  Cable,
  "elements" | "construction" | "fibreCount" | "perUnit" | "legs" | "cores" | "layers"
>;

/**
 * What a cable holds: as its document states it, else as its construction and counts say: tubes or sub-units of so many,
 * legs of a cord, fibres side by side.
 * @example elementsOf(loose)?.kind // "tube"
 */
export function elementsOf({
  elements,
  construction,
  fibreCount,
  perUnit = fibreCount,
  legs,
  cores,
  layers,
}: FibreSource): ElementGroup {
  if (elements) return elements;
  const innermost = (count: number): ElementGroup => ({
    kind: cores.includes("copper") ? "conductor" : "fibre",
    count,
  });
  if (construction === "breakout")
    return { kind: "unit", count: Math.ceil(fibreCount / perUnit), of: innermost(perUnit) };
  if (layers.some(({ kind }) => kind === "tube") && perUnit < fibreCount)
    return { kind: "tube", count: Math.ceil(fibreCount / perUnit), of: innermost(perUnit) };
  if (legs.length > 1)
    return { kind: "leg", count: legs.length, of: innermost(Math.ceil(fibreCount / legs.length)) };
  return innermost(fibreCount);
}
