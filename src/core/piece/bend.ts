import { type Cable, diameterOf, type GRADES } from "../cable/cable";
import { type Length, mm, um } from "../length/length";

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

/** The least radius of a cable's bends; what its own sheet or its plan says goes before the multiples. */
export function bendRadius(cable: Cable, planned: Length | null = null): BendRadius {
  const own = planned ?? cable.bends?.atRest ?? null;
  const [outer] = cable.layers;
  const diameter = outer ? (diameterOf(cable, outer.kind) ?? 0) : 0;
  const load = INDOORS.includes(cable.construction) ? UNDER_LOAD_INDOORS : UNDER_LOAD;
  return own === null
    ? { atRest: um(diameter * AT_REST), underLoad: um(diameter * load), of: "multiple" }
    : {
        atRest: own,
        underLoad: um(Math.max(own, cable.bends?.underLoad ?? diameter * load)),
        of: "own",
      };
}

/** How far one part of a cable may be bent: what it is, and whose figures they are. */
export interface PartBend {
  readonly part: "cable" | "tube" | "fibre";
  readonly atRest: Length;
  readonly underLoad: Length;
  readonly of: BendRadius["of"] | "practice" | (typeof GRADES)[number];
}

/**
 * Least radius of a bare fibre at rest, millimetres: of G.652 that of its macrobend test, of G.657 the design radius (ITU-T
 * G.652 and G.657, from memory). Of a fibre nobody knows the grade of, the widest.
 */
const FIBRE_AT_REST: Readonly<Record<(typeof GRADES)[number], number>> = {
  "G.652": 30,
  "G.657.A1": 10,
  "G.657.A2": 7.5,
};
/** A tube by its diameter, and a fibre while it is handled, millimetres (common practice, no source). */
const TUBE_AT_REST = 10;
const TUBE_UNDER_LOAD = 20;
const FIBRE_HANDLED = 30;

/**
 * How far each part of a cable may be bent where it is opened: the cable, its tubes, its fibres.
 * @example bendsOf(cord).length // 2
 */
export function bendsOf(cable: Cable): PartBend[] {
  const tube = diameterOf(cable, "tube");
  const grade = cable.grade ?? "G.652";
  const fibre = FIBRE_AT_REST[grade];
  return [
    { part: "cable", ...bendRadius(cable) },
    ...(tube === null
      ? []
      : [
          {
            part: "tube" as const,
            atRest: um(tube * TUBE_AT_REST),
            underLoad: um(tube * TUBE_UNDER_LOAD),
            of: "practice" as const,
          },
        ]),
    { part: "fibre", atRest: mm(fibre), underLoad: mm(Math.max(fibre, FIBRE_HANDLED)), of: grade },
  ];
}
