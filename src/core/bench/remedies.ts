import { REMEDY_MOVES, type Remedy } from "../procedure/remedy";
import { remedyText } from "../procedure/remedy-text";
import type { LaidOut } from "./course";
import type { Violation } from "./violation";

/** How far a remedy's feature goes: towards the cable's end counts negative. */
const STEP = { forward: -1, back: 1 } as const;

/**
 * Remedies that move a length the wrong way, or neither of its ends. What is made again lies at its own figure; what stays
 * is shown with why.
 */
export function wrongRemedies({ dimensions, placed, procedure, steps }: LaidOut): Violation[] {
  return dimensions.flatMap((dimension) => {
    const [from, to] = [placed.get(dimension.from), placed.get(dimension.to)];
    if (!from || !to) return [];
    // A length of nothing is read as its figure turns once it is more.
    const turned = to.position < from.position ? -1 : 1;
    /** What a remedy does to the reading: longer counts positive; null where it moves neither end. */
    const effect = (remedy: Remedy): number | null => {
      if ("words" in remedy) return 0;
      const move = REMEDY_MOVES[remedy.act];
      if (move === "anew" || move === "stays") return 0;
      if (remedy.feature === dimension.to) return STEP[move] * turned;
      return remedy.feature === dimension.from ? -STEP[move] * turned : null;
    };
    return (["ifLong", "ifShort"] as const).flatMap((side): Violation[] => {
      const effects = dimension[side].map(effect);
      const net = effects.reduce<number>((sum, each) => sum + (each ?? 0), 0);
      const code = effects.includes(null)
        ? "remedy-elsewhere"
        : (side === "ifLong" ? net > 0 : net < 0)
          ? "remedy-wrong-way"
          : null;
      if (code === null) return [];
      const step = steps.find(({ id }) => id === dimension.after)?.id ?? dimension.after;
      const text = remedyText(dimension[side], procedure.features);
      const params = [dimension.name, side === "ifLong" ? "long" : "short", text];
      return [{ code, step, params, dimension: dimension.id }];
    });
  });
}
