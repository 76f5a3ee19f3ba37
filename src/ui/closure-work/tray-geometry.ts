import type { TraySet } from "@/core";

/** A loop round a tray: two straight sides joined by half circles, millimetres. */
interface LoopShape {
  readonly radius: number;
  /** Length of each straight side. */
  readonly straight: number;
}

const mmOf = (um: number): number => um / 1_000;

/** How long the straight sides of every loop on a tray are: the shortest loop there may be then bends at its least radius. */
const straightOf = ({ perimeter, radius }: Pick<TraySet, "perimeter" | "radius">): number =>
  Math.max(0, (mmOf(perimeter.min) - 2 * Math.PI * mmOf(radius)) / 2);

/**
 * A loop of a perimeter, as it lies on a tray: its bends get wider as it gets longer, its straight sides stay.
 * @param perimeter micrometres.
 */
export function loopShape(trays: Pick<TraySet, "perimeter" | "radius">, perimeter: number): LoopShape {
  const straight = straightOf(trays);
  return { straight, radius: (mmOf(perimeter) - 2 * straight) / (2 * Math.PI) };
}

/** A loop as a path round a middle, millimetres; `inset` draws several turns beside each other. */
export function loopPath({ radius, straight }: LoopShape, x: number, y: number, inset = 0): string {
  const r = radius - inset;
  const [left, right] = [x - straight / 2, x + straight / 2];
  return `M${left},${y - r} H${right} A${r},${r} 0 0 1 ${right},${y + r} H${left} A${r},${r} 0 0 1 ${left},${y - r} Z`;
}
