import { um } from "../length/length";
import type { PiecePlan } from "./plan";

/** What is dragged on a drawing of the whole piece: turns of a loop, the length of a stretch of route, or a station. */
export interface Dragged {
  readonly part: { readonly of: "route" | "loop" | "station"; readonly at: number };
  /** Turns, or micrometres. */
  readonly value: number;
  readonly most: number;
  /** For a station: the place along the piece so many pixels further, micrometres. */
  readonly follows?: (px: number) => number;
}

/** Pixels a drag goes for one turn, and for a stretch to be twice as long. */
const TURN_PX = 24;
const DOUBLE_PX = 140;
const METRE = 1e6;

/** The step a length is set by, micrometres: a tenth of a metre, half of one, or a whole one, by how long it is. */
const stepOf = (length: number): number =>
  length < 20 * METRE ? METRE / 10 : length < 200 * METRE ? METRE / 2 : METRE;

const clamped = (value: number, most: number): number => Math.min(most, Math.max(0, value));

/**
 * The value after a drag of so many pixels to the right: turns by the pixel, a length by shares of itself, as it is
 * drawn. A drag of 0 pixels leaves it as it was, to the micrometre.
 * @example draggedTo({ part: { of: "loop", at: 0 }, value: 3, most: 200 }, 48) // 5
 */
export function draggedTo({ part, value, most, follows }: Dragged, px: number): number {
  if (px === 0) return value;
  if (follows) {
    const along = follows(px);
    const step = stepOf(along);
    return clamped(Math.round(along / step) * step, most);
  }
  if (part.of === "loop") return clamped(value + Math.round(px / TURN_PX), most);
  const length = (value + METRE) * 2 ** (px / DOUBLE_PX) - METRE;
  const step = stepOf(length);
  return clamped(Math.round(length / step) * step, most);
}

/**
 * The value some key presses further: a press is a turn, or a step of the length.
 * @example steppedBy({ part: { of: "loop", at: 0 }, value: 3, most: 200 }, -1) // 2
 */
export function steppedBy({ part, value, most }: Dragged, steps: number): number {
  return clamped(value + steps * (part.of === "loop" ? 1 : stepOf(value)), most);
}

/**
 * The plan with what is dragged set to a value.
 * @example withDragged(plan, { of: "route", at: 0 }, 5_000_000).route[0]?.length // 5000000
 */
export function withDragged(plan: PiecePlan, part: Dragged["part"], value: number): PiecePlan {
  if (part.of === "loop")
    return {
      ...plan,
      loops: plan.loops.map((loop, at) => (at === part.at ? { ...loop, turns: value } : loop)),
    };
  if (part.of === "station")
    return {
      ...plan,
      stations: plan.stations.map((station, at) =>
        at === part.at ? { ...station, along: um(value) } : station,
      ),
    };
  return {
    ...plan,
    route: plan.route.map((stretch, at) => (at === part.at ? { ...stretch, length: um(value) } : stretch)),
  };
}
