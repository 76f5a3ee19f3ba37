import { type Length, um } from "../length/length";

/** Looks of a cleaved end under the lens. */
type CleaveFace = "flat" | "lip" | "cracked";

/** A cleave of a series: its face, and the bare glass from the buffer edge to its end. Micrometres. */
export interface CleaveShot {
  readonly face: CleaveFace;
  readonly length: Length;
}

/** Figures a series is made to. Micrometres. */
export interface CleaveFigures {
  readonly nominal: Length;
  readonly min: Length;
  readonly max: Length;
  /** Bare glass the cleaver must hold beyond its blade. */
  readonly scrap: Length;
}

/** Ways to go on after a cleave. */
export const CLEAVE_WAYS = ["keep", "cleave-again", "strip-further"] as const;
export type CleaveWay = (typeof CLEAVE_WAYS)[number];

/**
 * The right way to go on after a cleave: keep it, cleave once more where so much bare glass is left that the blade can hold it,
 * or strip further back first (common practice, no source; held beside the advice of the bench).
 * @example wayOn({ face: "lip", length: um(9_500) }, { nominal: um(9_500), min: um(9_000), max: um(10_000), scrap: um(9_000) })
 * // "strip-further"
 */
export function wayOn({ face, length }: CleaveShot, { nominal, min, max, scrap }: CleaveFigures): CleaveWay {
  if (face === "flat" && length >= min && length <= max) return "keep";
  return length - nominal >= scrap ? "cleave-again" : "strip-further";
}

/** Cleaves of a series. */
const SERIES = 6;

/**
 * A series of cleaves by a beginner's hand: about half of them good, one left so long that the blade can hold it again.
 * @param draw numbers from 0 to 1.
 * @example cleaveSeries({ nominal: um(9_500), min: um(9_000), max: um(10_000), scrap: um(9_000) }, () => 0.4).length // 6
 */
export function cleaveSeries(figures: CleaveFigures, draw: () => number): CleaveShot[] {
  const { nominal, min, max, scrap } = figures;
  const place = Math.floor(draw() * SERIES);
  return Array.from({ length: SERIES }, (_, i): CleaveShot => {
    const step = (value: number): Length => um(Math.round(value / 100) * 100);
    if (i === place) return { face: "flat", length: step(nominal + scrap + draw() * 3_000 + 100) };
    const kind = draw();
    if (kind < 0.45) return { face: "flat", length: step(min + draw() * (max - min)) };
    if (kind < 0.75) {
      const off = 400 + draw() * 1_600;
      return { face: "flat", length: step(draw() < 0.5 ? min - off : max + off) };
    }
    return { face: draw() < 0.5 ? "lip" : "cracked", length: step(min + draw() * (max - min)) };
  });
}
