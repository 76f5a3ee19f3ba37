import { type Need, type PiecePlan, stationName, um } from "@/core";
import { t } from "@/messages/jobs";
import { metresText } from "../plan/metres";

/** What is dragged on the whole-piece band: turns of a loop, how long a stretch of route is, or where it is opened. */
export interface Handle {
  readonly part: { readonly of: "route" | "loop" | "station"; readonly at: number };
  readonly name: string;
  /** Turns, or micrometres. */
  readonly value: number;
  readonly most: number;
  readonly text: (value: number) => string;
  /** Where it lies on a band, of what goes along under the hand: what it stands at so many pixels further. */
  readonly follows?: (px: number) => number;
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

/** Pixels a drag goes for one turn, and for a stretch to be twice as long. */
const TURN_PX = 24;
const DOUBLE_PX = 140;
const METRE = 1e6;

/** The step a length is set by, micrometres: a tenth of a metre, half of one, or a whole one, by how long it is. */
const stepOf = (length: number): number =>
  length < 20 * METRE ? METRE / 10 : length < 200 * METRE ? METRE / 2 : METRE;

const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));

/**
 * What a handle stands at once it has been dragged so many pixels to the right: turns by the pixel, a length by shares of
 * itself, as it is drawn. Dragged nowhere, it stays what it was to the micrometre.
 */
export function draggedTo({ part, value, most, follows }: Handle, px: number): number {
  if (px === 0) return value;
  if (follows) {
    const along = follows(px);
    const step = stepOf(along);
    return within(Math.round(along / step) * step, most);
  }
  if (part.of === "loop") return within(value + Math.round(px / TURN_PX), most);
  const length = (value + METRE) * 2 ** (px / DOUBLE_PX) - METRE;
  const step = stepOf(length);
  return within(Math.round(length / step) * step, most);
}

/** A key's worth more (or less): a turn, or a step of the length. */
export function steppedBy({ part, value, most }: Handle, steps: number): number {
  return within(value + steps * (part.of === "loop" ? 1 : stepOf(value)), most);
}

/** The plan with what is dragged set to a value. */
export function withDragged(plan: PiecePlan, part: Handle["part"], value: number): PiecePlan {
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
