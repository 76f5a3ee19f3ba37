import { type Cable, elementsOf, type Need, type PieceShape } from "@/core";

/** Where one of a piece's needs lies on the whole-piece band, pixels. */
export interface Spot {
  readonly key: string;
  readonly need: Need;
  /** Along the piece from side A's end, micrometres. */
  readonly from: number;
  readonly to: number;
  readonly x0: number;
  readonly x1: number;
}

/** Room that what has no length of its own to be drawn by takes, pixels. */
const SIDE = 84;
const LOOP = 92;
const LEAST = 64;

/** The narrowest a band is drawn; below it scrolls. */
export const bandWidth = (shapes: readonly PieceShape[], room: number): number =>
  Math.max(
    room,
    shapes.reduce((sum, { need }) => sum + fixedFor(need), 0),
  );

const fixedFor = ({ part }: Need): number => (part.of === "side" ? SIDE : part.of === "loop" ? LOOP : LEAST);

/**
 * A piece from side A to side B across so many pixels: sides and loops take a set room, the stretches of route share the
 * rest by the logarithm of their length, so that the shortest can still be touched. Not to one scale, and said so.
 */
export function spotsOf(shapes: readonly PieceShape[], width: number): Spot[] {
  const weight = ({ need, from, to }: PieceShape) =>
    need.part.of === "route" ? Math.log2(2 + (to - from) / 1e6) : 0;
  const fixed = shapes.reduce((sum, { need }) => sum + fixedFor(need), 0);
  // In a small drawing all of it gives way alike.
  const share = Math.min(1, width / fixed);
  const rest = Math.max(0, width - fixed);
  const weights = shapes.reduce((sum, shape) => sum + weight(shape), 0);
  let x = 0;
  return shapes.map((shape) => {
    const { key, need, from, to } = shape;
    const x0 = x;
    x += fixedFor(need) * share + (weights > 0 ? (rest * weight(shape)) / weights : rest / shapes.length);
    return { key, need, from, to, x0, x1: x };
  });
}

/** Where on the band so far along the piece is, pixels: within what lies there by its own scale. */
export function xAlong(spots: readonly Spot[], along: number): number {
  const spot = spots.find(({ to }) => along <= to) ?? spots.at(-1);
  return spot ? spot.x0 + shareOf(along, spot.from, spot.to) * (spot.x1 - spot.x0) : 0;
}

/** The other way: how far along the piece a pixel of the band is, micrometres. */
export function alongAt(spots: readonly Spot[], x: number): number {
  const spot = spots.find(({ x1 }) => x <= x1) ?? spots.at(-1);
  return spot ? spot.from + shareOf(x, spot.x0, spot.x1) * (spot.to - spot.from) : 0;
}

const shareOf = (at: number, from: number, to: number): number =>
  to > from ? Math.min(1, Math.max(0, (at - from) / (to - from))) : 0;

/** The most elements that are distinguished where a sheath ends. */
const MOST_DRAWN = 12;

/** How many elements come out where a sheath is opened: tubes, ribbons, sub-units, fibres; a single tube is passed over. */
export function fanOf(cable: Cable): number {
  const outer = elementsOf(cable);
  const shown = outer.count === 1 && outer.of ? outer.of : outer;
  return Math.min(MOST_DRAWN, shown.count);
}
