import { z } from "zod";
import { mustHoldAt } from "../problem/held";
import { said } from "../words/core";
import { behindTap, type Feeder, type Tap, type TapJoint, zDb, zFeeder, zTap, zTapJoint } from "./light";

export const zTapsInput = zFeeder.extend({
  stock: z.array(zTap).min(1, said("give-at-least-one-tap")).max(32, said("give-at-most-32-kinds-of-tap")),
  joints: z.array(zTapJoint).min(1, said("give-at-least-one-joint")).max(64, said("give-at-most-64-joints")),
  margin: zDb,
});

type TapsInput = Feeder & {
  readonly stock: readonly Tap[];
  readonly joints: readonly TapJoint[];
  readonly margin: number;
};

export interface Taps {
  /** Whether every drop keeps the margin. */
  readonly possible: boolean;
  /** The least margin of all drops, dB. */
  readonly least: number;
  /** What each joint's tap gives to its drop, per cent. */
  readonly choice: readonly number[];
  readonly margins: readonly number[];
  /** Power left behind the last tap, dBm. */
  readonly through: number;
}

const EQUAL_DB = 1e-9;

/** A row of taps, as places in the stock, with the power behind them. */
interface Row {
  readonly places: readonly number[];
  readonly margins: readonly number[];
  readonly through: number;
}

/**
 * From a joint on, the taps that keep a margin at every drop and pass on the most; null where none keep it. More power into
 * a joint never serves a later drop worse, so the best at each joint is best for all that follow.
 */
function passMost(
  feeder: Feeder,
  joints: readonly TapJoint[],
  stock: readonly Tap[],
  margin: number,
  start: number,
): Row | null {
  let power = start;
  const [places, margins]: [number[], number[]] = [[], []];
  for (const joint of joints) {
    let best: { place: number; through: number; margin: number } | null = null;
    for (const [place, tap] of stock.entries()) {
      const behind = behindTap(feeder, joint, tap, power);
      if (behind.margin >= margin && (!best || behind.through > best.through))
        best = { place, through: behind.through, margin: behind.margin };
    }
    if (!best) return null;
    places.push(best.place);
    margins.push(best.margin);
    power = best.through;
  }
  return { places, margins, through: power };
}

/** How often a range of margins is halved: further than doubles tell apart. */
const HALVINGS = 80;

/**
 * Which tap at each joint of a feeder: the greatest least margin; of those the most power behind the last; of those the
 * first by the stock's order, joint by joint. Exact: whether a margin can be kept is answered by one pass along the feeder,
 * and the greatest that can is found by halving.
 */
export function chooseTaps({ stock, joints, margin, ...feeder }: TapsInput): Taps {
  const from = (least: number) => passMost(feeder, joints, stock, least, feeder.launchDbm);
  const any = from(Number.NEGATIVE_INFINITY);
  if (!any) throw new Error("without a margin to keep any tap serves");
  let low = Math.min(...any.margins);
  let high = feeder.launchDbm - feeder.sensitivityDbm;
  for (let i = 0; i < HALVINGS && low < high; i++) {
    const middle = (low + high) / 2;
    const row = from(middle);
    if (row) low = Math.max(middle, Math.min(...row.margins));
    else high = middle;
  }
  const floor = low - EQUAL_DB;
  const most = (from(floor) ?? any).through - EQUAL_DB;
  const places: number[] = [];
  const margins: number[] = [];
  let power = feeder.launchDbm;
  for (const [at, joint] of joints.entries()) {
    const place = stock.findIndex((tap) => {
      const behind = behindTap(feeder, joint, tap, power);
      if (behind.margin < floor) return false;
      const rest = passMost(feeder, joints.slice(at + 1), stock, floor, behind.through);
      return rest !== null && rest.through >= most;
    });
    const behind = behindTap(feeder, joint, mustHoldAt(stock, place), power);
    places.push(place);
    margins.push(behind.margin);
    power = behind.through;
  }
  const least = Math.min(...margins);
  return {
    possible: least >= margin - EQUAL_DB,
    least,
    choice: places.map((place) => mustHoldAt(stock, place).tapPct),
    margins,
    through: power,
  };
}
