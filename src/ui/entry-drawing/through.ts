import { CUT_PLACES, type Through, um } from "@/core";

const LONGEST = 100_000_000;

/** What is asked of a cable as its address writes it: `2.0.0.2400000.middle`, lengths in micrometres. */
export const writeThrough = ({ turns, pitch, diameter, reversal, cutAt }: Through): string =>
  [turns, pitch, diameter, reversal, cutAt].join(".");

/** The same read again; null where it is none. */
export function readThrough(text: string): Through | null {
  const [turns, pitch, diameter, reversal] = text.split(".").slice(0, 4).map(Number);
  const cutAt = CUT_PLACES.find((place) => place === text.split(".")[4]);
  const whole = (value: number | undefined, most: number): value is number =>
    Number.isInteger(value) && value !== undefined && value >= 0 && value <= most;
  if (!cutAt || !whole(turns, 100)) return null;
  if (!whole(pitch, LONGEST) || !whole(diameter, LONGEST) || !whole(reversal, LONGEST)) return null;
  return { turns, pitch: um(pitch), diameter: um(diameter), reversal: um(reversal), cutAt };
}
