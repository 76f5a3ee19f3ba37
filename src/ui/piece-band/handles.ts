import { type Dragged, type Need, type PiecePlan, stationName } from "@/core";
import { t } from "@/messages/jobs";
import { metresText } from "../plan/metres";

/** A handle on the whole-piece band: what is dragged by it, and how its value is said. */
export interface Handle extends Dragged {
  readonly name: string;
  readonly text: (value: number) => string;
}

const MOST_TURNS = 200;
/** A hundred kilometres, micrometres: no drum holds more. */
const MOST_LENGTH = 100e9;

const turnsText = (turns: number): string => `${turns} ${turns === 1 ? "turn" : "turns"}`;
const lengthText = (length: number): string => `${metresText(length)} m`;

/** The handle of one of a piece's needs; null for a side, which is drawn from its procedure. */
export function handleOf({ part, name }: Need, plan: PiecePlan): Handle | null {
  if (part.of === "side") return null;
  if (part.of === "loop")
    return {
      part,
      name: t("stored-in", { name }),
      value: plan.loops[part.at]?.turns ?? 0,
      most: MOST_TURNS,
      text: turnsText,
    };
  return {
    part,
    name: t("how-far-along", { name }),
    value: plan.route[part.at]?.length ?? 0,
    most: MOST_LENGTH,
    text: lengthText,
  };
}

/** The handle of a station: along the piece, as the band it is drawn on says. */
export function stationHandle(
  plan: PiecePlan,
  at: number,
  { most, follows }: { readonly most: number; readonly follows: (px: number) => number },
): Handle | null {
  const station = plan.stations[at];
  return station
    ? {
        part: { of: "station", at },
        name: t("where-lies", { stationName: stationName(station) }),
        value: station.along,
        most,
        text: lengthText,
        follows,
      }
    : null;
}
