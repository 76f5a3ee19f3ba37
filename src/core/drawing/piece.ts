import type { Need } from "../piece/needs";

/** One of a piece's needs as it lies: from so far along the piece to so far, micrometres from side A's end. */
export interface PieceShape {
  readonly key: string;
  readonly need: Need;
  readonly from: number;
  readonly to: number;
}

/**
 * `A`, `route 2`, `loop 0`: what of the plan a need is, as one word.
 * @example needKey({ part: { of: "side", side: "A" } }) // "A"
 */
export const needKey = ({ part }: Pick<Need, "part">): string =>
  part.of === "side" ? part.side : `${part.of} ${part.at}`;

/**
 * The whole piece as shapes, side A first: they touch, and end where the piece does.
 * @example pieceDrawing(pieceNeeds(plan, parts).items).length // 3
 */
export function pieceDrawing(items: readonly Need[]): PieceShape[] {
  let to = 0;
  return items.map((need) => {
    const from = to;
    to += need.length;
    return { key: needKey(need), need, from, to };
  });
}
