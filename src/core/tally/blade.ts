import type { Tool } from "../procedure/tool";

type Blade = NonNullable<Tool["blade"]>;

/** What has been done with a blade: cleaves since it was last turned and wiped, and turns since it was new. */
export interface BladeCount {
  readonly sinceTurn: number;
  readonly sinceWipe: number;
  readonly turns: number;
}

/** Where a blade stands, and what is due before the next cleave. */
interface BladeStanding {
  /** Place in use, counted from 1. */
  readonly position: number;
  readonly leftHere: number;
  /** Cleaves left in the whole blade. */
  readonly left: number;
  /** Cleaves until it is wiped; 0 when that is due. */
  readonly wipeIn: number;
  readonly due: "new" | "turn" | "wipe" | null;
}

export const UNUSED: BladeCount = { sinceTurn: 0, sinceWipe: 0, turns: 0 };

/**
 * What a blade has left: each of its positions takes so many cleaves; then it is turned, and after the last a new
 * blade is due. A blade that is due for a turn is not merely wiped.
 * @example bladeStanding({ positions: 12, each: 2500, wipeEvery: 6 }, UNUSED).left // 30000
 */
export function bladeStanding(
  { positions, each, wipeEvery }: Blade,
  { sinceTurn, sinceWipe, turns }: BladeCount,
): BladeStanding {
  const leftHere = Math.max(0, each - sinceTurn);
  const after = Math.max(0, positions - turns - 1);
  const wipeIn = Math.max(0, wipeEvery - sinceWipe);
  const due = leftHere === 0 ? (after === 0 ? "new" : "turn") : wipeIn === 0 ? "wipe" : null;
  return { position: Math.min(positions, turns + 1), leftHere, left: leftHere + after * each, wipeIn, due };
}

/** A tool with a blade, and where that stands. */
export interface BladeLine {
  readonly tool: string;
  readonly name: string;
  readonly positions: number;
  readonly each: number;
  readonly wipeEvery: number;
  readonly standing: BladeStanding;
}
