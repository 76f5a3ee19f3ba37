import type { LegTold } from "@/core";
import { RESULT_WORDS } from "./verdict-words";

/** `Leg A in, 3 of 3 read`: one leg of a cord as it stands. */
export const legText = ({ leg, result, read, lengths }: LegTold): string =>
  `Leg ${leg} ${RESULT_WORDS[result].toLowerCase()}, ${read} of ${lengths} read`;

/** Every leg of a cord, in a line. */
export const legsText = (legs: readonly LegTold[]): string => legs.map(legText).join("; ");
