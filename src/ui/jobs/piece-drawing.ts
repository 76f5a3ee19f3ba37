import { type Cable, elementsOf, type Need } from "@/core";

/** Where one of a piece's needs lies on the whole-piece band, pixels. */
export interface Spot {
  readonly need: Need;
  readonly x0: number;
  readonly x1: number;
}

/** Room that what has no length of its own to be drawn by takes, pixels. */
const SIDE = 84;
const LOOP = 92;
const LEAST = 64;

/** The narrowest a band is drawn; below it scrolls. */
export const bandWidth = (items: readonly Need[], room: number): number =>
  Math.max(
    room,
    items.reduce((sum, need) => sum + fixedFor(need), 0),
  );

const fixedFor = ({ part }: Need): number => (part.of === "side" ? SIDE : part.of === "loop" ? LOOP : LEAST);

/**
 * A piece from side A to side B across so many pixels: sides and loops take a set room, the stretches of route share the
 * rest by the logarithm of their length, so that the shortest can still be touched. Not to one scale, and said so.
 */
export function spotsOf(items: readonly Need[], width: number): Spot[] {
  const weight = ({ part, length }: Need) => (part.of === "route" ? Math.log2(2 + length / 1e6) : 0);
  const fixed = items.reduce((sum, need) => sum + fixedFor(need), 0);
  // In a small drawing all of it gives way alike.
  const share = Math.min(1, width / fixed);
  const rest = Math.max(0, width - fixed);
  const weights = items.reduce((sum, need) => sum + weight(need), 0);
  let x = 0;
  return items.map((need) => {
    const x0 = x;
    x += fixedFor(need) * share + (weights > 0 ? (rest * weight(need)) / weights : rest / items.length);
    return { need, x0, x1: x };
  });
}

export const keyOf = ({ part }: Need): string => (part.of === "side" ? part.side : `${part.of} ${part.at}`);

/** The most elements that are told apart where a sheath ends. */
const MOST_DRAWN = 12;

/** How many elements come out where a sheath is opened: tubes, ribbons, sub-units, fibres; a single tube is passed over. */
export function fanOf(cable: Cable): number {
  const outer = elementsOf(cable);
  const shown = outer.count === 1 && outer.of ? outer.of : outer;
  return Math.min(MOST_DRAWN, shown.count);
}
