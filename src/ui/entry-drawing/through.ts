import {
  type Cable,
  CUT_PLACES,
  type Entry,
  type SheathWindow,
  sheathWindow,
  type Through,
  um,
  type WindowInput,
} from "@/core";

/** What is asked of a cable nobody said anything of: by its entry's storage and its own lay, where that is known. */
export const throughOf = (
  { storage }: Pick<Entry, "storage">,
  { lay }: Pick<Cable, "lay"> = {},
): Through => ({
  turns: storage.turns.min,
  pitch: lay?.pitch ?? um(0),
  diameter: lay?.diameter ?? um(0),
  reversal: lay?.reversal ?? um(0),
  cutAt: "middle",
});

/** How a sheath is opened in the middle of its run. Micrometres. */
export interface ThroughOpening {
  /** What storage and lay ask for at the least. */
  readonly needed: SheathWindow;
  /** As it is then opened: by the entry's own sheet, further where that is not enough. */
  readonly opened: SheathWindow;
  /** From the centre mark to either edge, rounded up to the millimetre: never too short. */
  readonly half: number;
  /** Whether the entry's own sheet opens enough; null where it has none for this cable. */
  readonly enough: boolean | null;
}

const MM = 1000;

/**
 * The opening of a cable that goes through an entry: one figure wherever it stands, on the closure's page, the sheet and at
 * the bench.
 * @param own from edge to edge as the entry's own sheet opens it; null where it has none.
 */
export function openingIn(
  { storage, reach, radius }: Pick<Entry, "storage" | "reach" | "radius">,
  { turns, pitch, diameter, reversal, cutAt }: Through,
  own: number | null,
): ThroughOpening {
  const input: WindowInput = {
    entryPaths: storage.paths,
    turns,
    perimeter: storage.perimeter,
    ...(pitch > 0 ? { lay: { pitch, diameter } } : {}),
    reversalSpacing: reversal,
    cutAt,
    reach,
    bendRadius: radius,
  };
  const needed = sheathWindow(input);
  const half = Math.ceil((Math.max(needed.opening, own ?? 0) / 2 - 1e-3) / MM) * MM;
  return {
    needed,
    opened: sheathWindow({ ...input, reversalSpacing: um(2 * half) }),
    half,
    enough: own === null ? null : own >= needed.opening,
  };
}

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
