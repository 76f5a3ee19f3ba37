/** Differences between numbered places: place `to[i]` lies at least `least[i]` behind place `from[i]`. Micrometres. */
interface Differences {
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly least: Float64Array;
}

/** One of them. */
export interface Difference {
  readonly from: number;
  readonly to: number;
  readonly least: number;
}

/** Differences from a list of them. */
export function differencesOf(list: readonly Difference[]): Differences {
  const { length } = list;
  const all = { from: new Int32Array(length), to: new Int32Array(length), least: new Float64Array(length) };
  list.forEach(({ from, to, least }, i) => {
    all.from[i] = from;
    all.to[i] = to;
    all.least[i] = least;
  });
  return all;
}

/**
 * Raises places until every difference holds, each no further than it must (Bellman–Ford; the list is gone through to and
 * fro, after Yen 1970, so that a chain settles whichever way it lies).
 * @param at where each place lies, −Infinity where nothing says; changed in place.
 * @param hair by so little a difference may be missed: how numbers are held, not a length.
 * @returns null once all hold, or a closed chain of them, as their numbers, that never can.
 */
export function raise(
  { from, to, least }: Differences,
  at: Float64Array,
  hair = 0,
): readonly number[] | null {
  const count = from.length;
  const by = new Int32Array(at.length).fill(-1);
  for (let round = 0; ; round++) {
    let raised = false;
    for (let k = 0; k < count; k++) {
      const i = round % 2 === 0 ? k : count - 1 - k;
      const behind = to[i] ?? 0;
      const place = (at[from[i] ?? 0] ?? 0) + (least[i] ?? 0);
      if (place <= (at[behind] ?? 0) + hair) continue;
      at[behind] = place;
      by[behind] = i;
      raised = true;
    }
    if (!raised) return null;
    const chain = round > 0 ? closedChain(by, from) : null;
    if (chain) return chain;
  }
}

/** A chain that comes back to itself among what raised each place last; null where there is none. */
function closedChain(by: Int32Array, from: Int32Array): readonly number[] | null {
  const lastAt = new Int32Array(by.length).fill(-1);
  for (let start = 0; start < by.length; start++) {
    let place = start;
    while (lastAt[place] === -1) {
      lastAt[place] = start;
      const last = by[place] ?? -1;
      if (last < 0) break;
      place = from[last] ?? 0;
    }
    if (lastAt[place] !== start || (by[place] ?? -1) < 0) continue;
    const chain: number[] = [];
    let on = place;
    do {
      const last = by[on] ?? 0;
      chain.push(last);
      on = from[last] ?? 0;
    } while (on !== place);
    return chain;
  }
  return null;
}

/** Whether differences between so many places can all hold together. */
export const canHold = (count: number, list: readonly Difference[]): boolean =>
  raise(differencesOf(list), new Float64Array(count)) === null;
