import { type Port, type PortCable, waysOf } from "./ports";

/** Sets of ports the through cables can take together, each with how many ways lead to it. */
function throughCounts(cables: readonly PortCable[], ports: readonly Port[]): Map<number, number> {
  let sets = new Map([[0, 1]]);
  for (const cable of cables.filter(({ through }) => through)) {
    const next = new Map<number, number>();
    const masks = waysOf(cable, ports).map((way) => way.ports.reduce((mask, at) => mask | (1 << at), 0));
    for (const [taken, count] of sets)
      for (const mask of masks)
        if ((taken & mask) === 0) next.set(taken | mask, (next.get(taken | mask) ?? 0) + count);
    sets = next;
  }
  return sets;
}

/**
 * How many ways there are to put cables of some diameters into some ports, one in each. The diameters are gone through from
 * the thinnest: a port differs from another only by the thickest it still can take, so that like ports are counted
 * together.
 */
function singlesCounted(diameters: readonly number[], ports: readonly Port[]): number {
  const sorted = [...diameters].sort((a, b) => a - b);
  /** How many of the cables, from the thinnest, a port's greatest diameter is enough for. */
  const reach = ({ max }: Port) => sorted.filter((diameter) => diameter <= max).length;
  /** The first cable, from the thinnest, that is thick enough for it. */
  const opens = ({ bushedMin }: Port) => sorted.filter((diameter) => diameter < bushedMin).length;
  const spans = ports.map((port) => ({ from: opens(port), to: reach(port) }));
  // By the free ports there are for each reach; the count of ways that lead there.
  let states = new Map<string, { readonly free: readonly number[]; readonly ways: number }>();
  const start = new Array<number>(sorted.length + 1).fill(0);
  states.set("", { free: start, ways: 1 });
  for (const [at] of sorted.entries()) {
    const opened = spans.filter(({ from }) => from === at);
    const next: typeof states = new Map();
    for (const { free, ways } of states.values()) {
      const now = free.map((count, to) =>
        to <= at ? 0 : count + opened.filter((interval) => interval.to === to).length,
      );
      now.forEach((count, to) => {
        if (count === 0) return;
        const left = now.map((value, other) => (other === to ? value - 1 : value));
        const key = left.join();
        next.set(key, { free: left, ways: (next.get(key)?.ways ?? 0) + ways * count });
      });
    }
    states = next;
  }
  return [...states.values()].reduce((sum, { ways }) => sum + ways, 0);
}

/** How many valid assignments there are; beyond 2^53 to the nearest number there is. */
export function countWays(cables: readonly PortCable[], ports: readonly Port[]): number {
  const single = cables.filter(({ through }) => !through).map(({ diameter }) => diameter);
  // Ports with the same limits are alike: what is left is counted once for each such rest.
  const cache = new Map<string, number>();
  let sum = 0;
  for (const [taken, count] of throughCounts(cables, ports)) {
    const left = ports.filter((_, place) => (taken & (1 << place)) === 0);
    const key = left
      .map(({ bushedMin, max }) => `${bushedMin}-${max}`)
      .sort()
      .join();
    const ways = cache.get(key) ?? singlesCounted(single, left);
    cache.set(key, ways);
    sum += count * ways;
  }
  return sum;
}
