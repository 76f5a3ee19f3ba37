import type { loopShape } from "@/core";

/** A loop as a path round a middle, millimetres; `inset` draws several turns beside each other. */
export function loopPath(
  { radius, straight }: ReturnType<typeof loopShape>,
  x: number,
  y: number,
  inset = 0,
): string {
  const r = radius / 1_000 - inset;
  const [left, right] = [x - straight / 2_000, x + straight / 2_000];
  return `M${left},${y - r} H${right} A${r},${r} 0 0 1 ${right},${y + r} H${left} A${r},${r} 0 0 1 ${left},${y - r} Z`;
}
