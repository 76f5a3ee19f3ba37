/** Ends made while a blade's place had so many cleaves, and those that failed at their first attempt. */
export interface BladeAge {
  /** Cleaves on the place at most. */
  readonly upTo: number;
  readonly ends: number;
  readonly failed: number;
}

/** Prices and use of a blade. Money in one currency. */
interface BladeUse {
  /** Places of a blade. */
  readonly positions: number;
  readonly bladePrice: number;
  /** Cost of an end that fails: part, cable and time. */
  readonly failedCost: number;
  /** Cleaves an end takes. */
  readonly perEnd: number;
}

/** Turning a blade after so many cleaves, and what an end then costs. */
interface TurnCost {
  readonly every: number;
  /** The blade's share of an end. */
  readonly blade: number;
  /** Failed ends' share of an end, by the record up to that age. */
  readonly failed: number;
  readonly total: number;
  /** Ends it is worked out from. */
  readonly ends: number;
}

/** Fewer ends say nothing of an age. */
const FEWEST = 20;

/**
 * Cost of an end if the blade is turned at each age: its share of the blade, and of the ends that failed up to that age
 * (expected cost of an age replacement policy, Barlow & Proschan 1965, from memory; cleaves in place of time).
 * @param ages in the order of age, each group without the ones before.
 * @returns the ages with ends enough to say, in their order.
 * @example turnCosts([{ upTo: 500, ends: 40, failed: 2 }], { positions: 10, bladePrice: 50, failedCost: 8, perEnd: 1 })[0].blade
 * // 0.01
 */
export function turnCosts(
  ages: readonly BladeAge[],
  { positions, bladePrice, failedCost, perEnd }: BladeUse,
): TurnCost[] {
  let [ends, bad] = [0, 0];
  return ages.flatMap(({ upTo, ...group }) => {
    ends += group.ends;
    bad += group.failed;
    if (ends < FEWEST || group.ends === 0) return [];
    const blade = (bladePrice * perEnd) / (positions * upTo);
    const failed = (bad / ends) * failedCost;
    return [{ every: upTo, blade, failed, total: blade + failed, ends }];
  });
}
