import type { MouseEvent } from "react";

/** What the keys are on, of what can be pointed at. */
const held = (): string | null =>
  document.activeElement?.closest<HTMLElement>("[data-points]")?.dataset.points ?? null;

/**
 * What lights something while the keys or a moving mouse are on it. What scrolls in below a mouse at rest is not pointed at;
 * where the mouse leaves, what the keys are on is lit again.
 */
export const pointing = (id: string, lit: boolean, onPoint: (id: string | null) => void) => ({
  tabIndex: 0,
  "data-points": id,
  onFocus: () => onPoint(id),
  onBlur: () => onPoint(null),
  onMouseMove: ({ movementX, movementY }: MouseEvent) => {
    if (!lit && (movementX !== 0 || movementY !== 0)) onPoint(id);
  },
  onMouseLeave: () => onPoint(held()),
});
