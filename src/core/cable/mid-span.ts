import type { Cable } from "./cable";

/** The two sides of an opening: each is worked away from the centre mark, and read by itself. */
export const OPENING_SIDES = ["A", "B"] as const;

/**
 * What a cable in the middle of its run is called by, from its own id.
 * @example midSpanId("loose-tube-36") // "loose-tube-36-mid-span"
 */
export const midSpanId = (cable: string): string => `${cable}-mid-span`;

/**
 * A cable as it is in hand in the middle of its run: the same layers, and an edge to either side of where it is opened.
 * @example midSpanOf(loose).id // "loose-tube-36-mid-span"
 */
export const midSpanOf = (cable: Cable): Cable => ({
  ...cable,
  id: midSpanId(cable.id),
  name: `${cable.name}, in mid-run`,
  construction: "mid-span",
  inRun: cable.construction,
  legs: [...OPENING_SIDES],
});
