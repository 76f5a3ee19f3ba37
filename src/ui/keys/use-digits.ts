"use client";

import { useHotkeys } from "react-hotkeys-hook";

/** The digits 1 to 9 take the first to the ninth of what is offered; in a field a digit stays a digit. */
export function useDigits(take: (index: number) => void): void {
  useHotkeys("1,2,3,4,5,6,7,8,9", (event) => take(Number(event.key) - 1), { useKey: true });
}
