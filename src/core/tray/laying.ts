import type { SpliceLaid, TraySet } from "./tray-set";

/** A loop round a tray: two straight sides joined by half circles, micrometres. */
interface LoopShape {
  readonly radius: number;
  /** Length of each straight side. */
  readonly straight: number;
}

/**
 * A loop of a perimeter, as it lies round the middle of a tray: its straight sides are those of the shortest loop there may
 * be, bent at the least radius; its bends get wider as it gets longer.
 * @param perimeter micrometres.
 * @example Math.round(loopShape(dome.trays, 318_000).radius) // 35093
 */
export function loopShape(
  { perimeter: { min }, radius }: { readonly perimeter: { readonly min: number }; readonly radius: number },
  perimeter: number,
): LoopShape {
  const straight = Math.max(0, (min - 2 * Math.PI * radius) / 2);
  return { straight, radius: (perimeter - 2 * straight) / (2 * Math.PI) };
}

/** Length, height and distance of the slots on a tray's drawing, which stand in one column in its middle, micrometres. */
const SLOT = { width: 44_000, height: 4_200, pitch: 5_200 };

/** A slot as it lies on its tray, from the tray's middle, micrometres. */
interface SlotShape {
  readonly id: string;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Where the slots of a tray lie.
 * @example slotShapes(dome.trays)[0] // { id: "1", left: -22000, top: -31200, width: 44000, height: 4200 }
 */
export const slotShapes = ({ slots }: Pick<TraySet, "slots">): SlotShape[] =>
  slots.map(({ id }, i) => ({
    ...{ id, left: -SLOT.width / 2, width: SLOT.width, height: SLOT.height },
    top: (i - slots.length / 2) * SLOT.pitch,
  }));

/** Whether a loop round a tray's middle passes over a slot. */
function passesOver({ radius, straight }: LoopShape, { left, top, width, height }: SlotShape): boolean {
  // A loop is all that lies as far as its radius from the line between its two bends' middles.
  const beyond = (x: number) => Math.max(0, Math.abs(x) - straight / 2);
  const corners = [left, left + width].flatMap((x) =>
    [top, top + height].map((y) => Math.hypot(beyond(x), y)),
  );
  const nearestY = top > 0 ? top : Math.min(0, top + height);
  const nearestX = left > 0 ? left : Math.min(0, left + width);
  return Math.hypot(beyond(nearestX), nearestY) <= radius && radius <= Math.max(...corners);
}

/** A splice that is to lie on a tray: in which of its slots, and how its fibres lie. */
interface SpliceToLay {
  readonly id: string;
  readonly slot: string;
  readonly laid: SpliceLaid | null;
}

/** One step of laying: a splice's sleeve is pressed into its slot, or its fibres are laid in their loops. */
export interface LayingStep {
  readonly splice: string;
  readonly lays: "sleeve" | "loops";
}

/**
 * The order in which splices are laid on one tray so that nothing laid has to be lifted: a sleeve goes in before any loop
 * lies over its slot. Otherwise slot by slot, each splice's sleeve and then its loops.
 * @example layingOrder(dome.trays, [{ id: "f", slot: "1", laid: null }]) // [{ splice: "f", lays: "sleeve" }, { splice: "f", lays: "loops" }]
 */
export function layingOrder(
  trays: Pick<TraySet, "slots" | "perimeter" | "radius">,
  splices: readonly SpliceToLay[],
): LayingStep[] {
  const shapes = slotShapes(trays);
  const inOrder = shapes.flatMap((shape) => {
    const splice = splices.find(({ slot }) => slot === shape.id);
    return splice ? [{ ...splice, shape }] : [];
  });
  const pressed = new Set<string>();
  return inOrder.flatMap(({ id, laid }): LayingStep[] => {
    const loops = [laid?.a.perimeter, laid?.b.perimeter].flatMap((perimeter) =>
      perimeter ? [loopShape(trays, perimeter)] : [],
    );
    const first = inOrder.filter(
      (other) =>
        !pressed.has(other.id) && (other.id === id || loops.some((loop) => passesOver(loop, other.shape))),
    );
    for (const { id: sleeve } of first) pressed.add(sleeve);
    return [
      ...first.map(({ id: splice }): LayingStep => ({ splice, lays: "sleeve" })),
      { splice: id, lays: "loops" },
    ];
  });
}
