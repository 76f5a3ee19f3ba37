import type { EndState } from "../end/end-state";
import { type Length, um } from "../length/length";
import { placesOf } from "../measured/places";
import type { Instrument } from "../procedure/tool";
import type { Check, RunSheet } from "../runsheet/document";

/** What readings from the simulated calliper are marked with, so that no record takes them for real ones. */
export const SIMULATED = {
  id: "simulated-calliper",
  name: "Simulated calliper",
  resolution: um(10),
  repeatability: um(20),
} satisfies Omit<Instrument, "source" | "reads">;

/**
 * A repeatable stream of numbers from 0 to 1 for a text (FNV-1a hash into mulberry32, from memory).
 * @example drawsFor("a")() === drawsFor("a")() // true
 */
export function drawsFor(text: string): () => number {
  let seed = 2_166_136_261;
  for (const letter of text) seed = Math.imul(seed ^ (letter.codePointAt(0) ?? 0), 16_777_619);
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** One draw from the standard normal distribution (Box–Muller). */
export const normalDraw = (draw: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());

/** How much of a limit's half-width a hand is off by, as a standard deviation: about one length in eight comes out wrong. */
const HAND = 0.62;

/**
 * What a length truly measures on a made-up end: every feature a hand's error off where it should lie, the same each
 * time it is asked, until it is made again. Nothing real is behind it.
 * @example hiddenLength("a", sheet, fresh, sheet.checks[0]) > 0 // true
 */
export function hiddenLength(end: string, sheet: RunSheet, state: EndState, check: Check): Length {
  const places = placesOf(sheet, state, check.leg);
  const at = (id: string): number => {
    const position = places.get(id) ?? 0;
    const halves = sheet.limits
      .filter(({ from, to }) => from === id || to === id)
      .flatMap(({ min, max }) => (min !== null && max !== null ? [(max - min) / 2] : []));
    const room = halves.length > 0 ? Math.min(...halves) : 500;
    const { all, features } = state.anew;
    const times = `${all}/${features[`${check.leg}/${id}`] ?? 0}`;
    const draw = drawsFor(`${end}/${check.leg}/${id}/${position}/${times}`);
    return position + normalDraw(draw) * HAND * room;
  };
  return um(Math.max(0, Math.round(at(check.to) - at(check.from))));
}

/**
 * What the jaws show of a true length: an instrument's own scatter and step over it.
 * @example shownBy({ resolution: um(10), repeatability: um(0) }, um(48_503), () => 0.5) // 48500
 */
export function shownBy(
  { resolution, repeatability }: Pick<Instrument, "resolution" | "repeatability">,
  length: Length,
  draw: () => number,
): Length {
  const step = Math.max(1, resolution);
  return um(Math.max(0, Math.round((length + normalDraw(draw) * repeatability) / step) * step));
}
