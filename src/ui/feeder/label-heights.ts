/** Width of a figure over a bar, and the height of its line, pixels. */
const WIDTH = 44;
const LINE = 16;
/** A figure further above its bar would be taken for another's. */
const MOST_LINES = 3;

/**
 * Heights of the figures over bars, pixels downwards: each over its own bar, or as many lines higher as it takes to be clear of
 * those before it; null where there is no room for it.
 * @param bars places along the drawing, ascending, and tops of the bars.
 */
export function labelHeights(
  bars: readonly { readonly x: number; readonly top: number }[],
): (number | null)[] {
  const heights: (number | null)[] = [];
  for (const [i, { x, top }] of bars.entries()) {
    const near: number[] = [];
    for (let j = i - 1; j >= 0 && x - (bars[j]?.x ?? 0) < WIDTH; j--) near.push(heights[j] ?? Infinity);
    const own = top - 6;
    let y = own;
    for (const other of near.sort((a, b) => b - a)) if (Math.abs(other - y) < LINE) y = other - LINE;
    heights.push(own - y > MOST_LINES * LINE ? null : y);
  }
  return heights;
}
