import type { LegTold } from "@/core";
import { t } from "@/messages/words";
import { RESULT_WORDS } from "./verdict-words";

/** `Leg A in, 3 of 3 read`: one leg of a cord, or side of an opening, as it stands. */
export const legText = ({ leg, kind, result, read, lengths }: LegTold): string =>
  t("of-read", {
    value: kind === "side" ? t("side") : t("leg"),
    leg,
    toLowerCase: RESULT_WORDS[result].toLowerCase(),
    read,
    lengths,
  });

/** Every leg of a cord, in a line. */
export const legsText = (legs: readonly LegTold[]): string => legs.map(legText).join("; ");
