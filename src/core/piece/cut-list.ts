import { type Length, um } from "../length/length";
import type { PieceNeeds } from "./needs";
import type { PiecePlan } from "./plan";

/** One piece to cut. */
export interface CutLine {
  readonly id: string;
  readonly plan: PiecePlan;
  /** Null where it cannot be worked out what to cut. */
  readonly cut: Length | null;
  /** What nobody has said yet of it: it is not in the cut. */
  readonly unsaid: PieceNeeds["unsaid"];
  readonly problem: string | null;
}

/** Every piece of one cable. */
export interface CutGroup {
  /** Id of the cable. */
  readonly cable: string;
  readonly lines: readonly CutLine[];
  /** Micrometres: the cuts added up. */
  readonly total: Length;
}

/**
 * What is cut, by cable in the order they come; of each the longest first, so that a short reel is met while long pieces
 * are still to be cut from it.
 * @example cutGroups([]) // []
 */
export function cutGroups(lines: readonly CutLine[]): CutGroup[] {
  const cables = [...new Set(lines.map(({ plan }) => plan.cable))];
  return cables.map((cable) => {
    const own = lines
      .filter(({ plan }) => plan.cable === cable)
      .sort((a, b) => (b.cut ?? 0) - (a.cut ?? 0) || a.plan.name.localeCompare(b.plan.name, "en"));
    return { cable, lines: own, total: um(own.reduce((sum, { cut }) => sum + (cut ?? 0), 0)) };
  });
}
