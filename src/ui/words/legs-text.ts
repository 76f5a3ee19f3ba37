import type { LegTold } from "@/core";
import { RESULT_WORDS } from "./verdict-words";

/** `Leg A in, 3 of 3 read`: one leg of a cord, or side of an opening, as it stands. */
export const legText = ({ leg, kind, result, read, lengths }: LegTold): string =>
  `${kind === "side" ? "Side" : "Leg"} ${leg} ${RESULT_WORDS[result].toLowerCase()}, ${read} of ${lengths} read`;

/** Every leg of a cord, in a line. */
export const legsText = (legs: readonly LegTold[]): string => legs.map(legText).join("; ");
