import { type Cable, diameterOf } from "../cable/cable";
import { type Length, um } from "../length/length";

/** How far a cable may be bent at rest and under pull, by its own diameter (ANSI/TIA-568.3, from memory). */
const AT_REST = 10;
const UNDER_LOAD = 20;
const UNDER_LOAD_INDOORS = 15;

const INDOORS: readonly Cable["construction"][] = [
  "simplex-cord",
  "duplex-cord",
  "tight-buffer-distribution",
  "breakout",
  "indoor-drop",
  "furcation-tube",
  "harness",
];

export interface BendRadius {
  readonly atRest: Length;
  readonly underLoad: Length;
  /** Whose figures they are: the multiples of its diameter, or the cable's own sheet. */
  readonly of: "multiple" | "own";
}

/** The least radius of a cable's bends; what its own sheet says goes before the multiples. */
export function bendRadius(cable: Cable, own: Length | null = null): BendRadius {
  const [outer] = cable.layers;
  const diameter = outer ? (diameterOf(cable, outer.kind) ?? 0) : 0;
  const load = INDOORS.includes(cable.construction) ? UNDER_LOAD_INDOORS : UNDER_LOAD;
  return own === null
    ? { atRest: um(diameter * AT_REST), underLoad: um(diameter * load), of: "multiple" }
    : { atRest: own, underLoad: um(Math.max(own, diameter * load)), of: "own" };
}
