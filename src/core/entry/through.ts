import type { Cable } from "../cable/cable";
import { um } from "../length/length";
import { layLoops } from "../tray/loops";
import type { Through } from "./closure";
import type { Entry } from "./entry";
import { type SheathWindow, sheathWindow, type WindowInput } from "./window";

/**
 * What is asked of a cable nobody said anything of: by its entry's storage and its own lay, where that is known.
 * @example throughOf(dome).turns // 2
 */
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
 * @example openingIn(dome, throughOf(dome), null).half // 775000
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

/** How the tubes of a cable that goes through lie in an entry's storage: they stay whole, so nothing is trimmed. Micrometres. */
export interface StoredTubes {
  /** Tube in the opening, along the tube. */
  readonly tube: number;
  /** Turns and the length of each, with its bends' radius; null where the tube lies in no number of turns. */
  readonly lies: { readonly turns: number; readonly perimeter: number; readonly radius: number } | null;
  /** What the tube is over or under what the nearest number of turns takes; 0 where it lies. */
  readonly over: number;
  readonly under: number;
}

/**
 * How a length of tube that stays whole lies in an entry's storage, no turn tighter than its least radius.
 * @example storedTubes(dome, 1_604_105).lies?.turns // 2
 */
export function storedTubes(
  { storage, radius }: Pick<Entry, "storage" | "radius">,
  tube: number,
): StoredTubes {
  const { paths, turns, perimeter, perimeterMost = perimeter } = storage;
  const fixed = um(paths[0] + paths[1]);
  const { choices, shorter, longer } = layLoops({
    length: um(Math.round(tube)),
    paths: [{ name: "storage", fixed }],
    turns,
    perimeter: { min: um(Math.min(perimeter, Math.ceil(2 * Math.PI * radius))), max: perimeterMost },
    bendRadius: radius,
  });
  const [choice] = choices;
  const lies =
    choice && choice.perimeter !== null
      ? { turns: choice.turns, perimeter: choice.perimeter, radius: choice.perimeter / (2 * Math.PI) }
      : null;
  return { tube, lies, over: shorter ?? 0, under: longer ?? 0 };
}
