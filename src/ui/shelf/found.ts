import { matchRank } from "../sheet/match-rank";

/** The least likeness that is a find: every word of it is there somewhere. */
const FOUND = 0.4;

/** What a search finds, the nearest first: in a name before what can be picked, and that before a description. */
export function foundIn<T extends { readonly name: string; readonly about: string }>(
  all: readonly T[],
  wanted: string,
  wordsOf: (item: T) => string,
): readonly T[] {
  if (wanted.trim() === "") return all;
  return all
    .map((item) => ({ item, rank: matchRank(wanted, item.name, item.about, wordsOf(item)) }))
    .filter(({ rank }) => rank > FOUND)
    .sort((a, b) => b.rank - a.rank)
    .map(({ item }) => item);
}
