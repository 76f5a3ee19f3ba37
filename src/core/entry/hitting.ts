import { mustHoldAt } from "../problem/held";

/** How many of some sets share nothing with one another, taken greedily: no fewer numbers hit them all. */
function apart(sets: readonly (readonly number[])[]): number {
  const used = new Set<number>();
  let count = 0;
  for (const set of sets) {
    if (set.some((element) => used.has(element))) continue;
    count += 1;
    for (const element of set) used.add(element);
  }
  return count;
}

/** So many choices are looked at before it is given up. */
const MOST_TRIED = 5_000;

/** The first so many numbers, each after the one before, of which every set has one; null where there are none. */
function hitting(
  sets: readonly (readonly number[])[],
  after: number,
  most: number,
  left: { tries: number },
): readonly number[] | null {
  left.tries -= 1;
  if (sets.length === 0) return [];
  if (left.tries < 0 || apart(sets) > most) return null;
  // One of each set must still come: the next number is no further than the nearest of their last ones.
  const until = Math.min(...sets.map((set) => mustHoldAt(set, set.length - 1)));
  const useful = [...new Set(sets.flat())]
    .filter((station) => station > after && station <= until)
    .sort((a, b) => a - b);
  for (const station of useful) {
    const rest = hitting(
      sets.filter((set) => !set.includes(station)),
      station,
      most - 1,
      left,
    );
    if (rest) return [station, ...rest];
  }
  return null;
}

/**
 * The fewest numbers of which every set has at least one; of equally few, the first by their order.
 * @param sets each in ascending order, none empty.
 * @returns null where there are too many choices to look at.
 */
export function firstHitting(sets: readonly (readonly number[])[]): readonly number[] | null {
  const shortest = [...sets].sort((a, b) => a.length - b.length);
  const left = { tries: MOST_TRIED };
  for (let most = apart(shortest); left.tries >= 0; most++) {
    const choice = hitting(shortest, -1, most, left);
    if (choice) return left.tries < 0 ? null : choice;
  }
  return null;
}
