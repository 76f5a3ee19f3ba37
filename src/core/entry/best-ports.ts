import { assign, type Offer } from "../assignment/assign";
import { mustHoldAt } from "../problem/held";
import { firstHitting } from "./hitting";
import { type PortChoice, type PortsInput, waysOf } from "./ports";
import { countWays } from "./ways-counted";

/** Which cable goes where, or a smallest set of cables that cannot all be placed. */
export type PortsAnswer =
  | {
      readonly possible: true;
      readonly assignment: readonly {
        readonly cable: string;
        readonly ports: readonly string[];
        readonly bushed: boolean;
      }[];
      readonly otherRole: number;
      readonly bushed: number;
      /** How many assignments there are at all. */
      readonly valid: number;
    }
  | {
      readonly possible: false;
      readonly cannot: readonly string[];
      /** False in a large closure where only that nothing can be left out of them is known. */
      readonly smallest: boolean;
    };

/** A way to another role's port outweighs any number of bushings, and one bushing any size: places are few and diameters small. */
const OTHER_ROLE = 1e11;
const BUSHED = 1e9;

const costOf = ({ otherRole, bushed, size }: PortChoice): number =>
  (otherRole ? OTHER_ROLE : 0) + (bushed ? BUSHED : 0) + size;

/** Each cable's ways, and whether it is one that may take two ports. */
interface Asked {
  readonly ways: readonly PortChoice[];
  readonly through: boolean;
}

const maskOf = ({ ports }: PortChoice): number => ports.reduce((mask, place) => mask | (1 << place), 0);

/** Sets of ports that the through cables can take together: by the ports taken, the least cost and by which ways. */
function throughSets(cables: readonly Asked[]): Map<number, { cost: number; ways: readonly PortChoice[] }> {
  let sets = new Map<number, { cost: number; ways: readonly PortChoice[] }>([[0, { cost: 0, ways: [] }]]);
  for (const { ways, through } of cables) {
    if (!through) continue;
    const next: typeof sets = new Map();
    for (const [taken, { cost, ways: before }] of sets)
      for (const way of ways) {
        const mask = maskOf(way);
        if ((taken & mask) !== 0) continue;
        const sum = cost + costOf(way);
        const earlier = next.get(taken | mask);
        if (!earlier || sum < earlier.cost) next.set(taken | mask, { cost: sum, ways: [...before, way] });
      }
    sets = next;
  }
  return sets;
}

interface Placed {
  readonly cost: number;
  /** In the order of the cables. */
  readonly ways: readonly PortChoice[];
}

/** The least cost of placing every cable; null where they cannot all be placed. */
function leastOf(cables: readonly Asked[], ports: number): Placed | null {
  const single = cables.filter(({ through }) => !through);
  const offers = single.map(({ ways }): Offer[] =>
    ways.map((way) => ({ column: mustHoldAt(way.ports, 0), cost: costOf(way) })),
  );
  const free = assign(offers, ports);
  if (!free) return null;
  const sets = [...throughSets(cables)].sort(([, a], [, b]) => a.cost - b.cost);
  let best: { cost: number; through: readonly PortChoice[]; columns: readonly number[] } | null = null;
  for (const [taken, { cost, ways }] of sets) {
    // With every port free the rest cannot cost less: nor can any set that comes after.
    if (best && cost + free.cost >= best.cost) break;
    const left =
      taken === 0
        ? free
        : assign(
            offers.map((row) => row.filter(({ column }) => (taken & (1 << column)) === 0)),
            ports,
          );
    if (left && (!best || cost + left.cost < best.cost))
      best = { cost: cost + left.cost, through: ways, columns: left.columns };
  }
  if (!best) return null;
  const { cost, through, columns } = best;
  let [nextThrough, nextSingle] = [0, 0];
  return {
    cost,
    ways: cables.map((cable) => {
      if (cable.through) return mustHoldAt(through, nextThrough++);
      const column = mustHoldAt(columns, nextSingle++);
      return mustHoldAt(
        cable.ways,
        cable.ways.findIndex((way) => way.ports[0] === column),
      );
    }),
  };
}

/** Of all ways to place everything at the least cost, the first by the places of the ports, cable by cable. */
function firstOf(cables: readonly Asked[], ports: number, least: Placed): readonly PortChoice[] {
  let now = least.ways;
  const fixed: Asked[] = [...cables];
  cables.forEach(({ ways, through }, i) => {
    const earlier = ways.slice(0, ways.indexOf(mustHoldAt(now, i)));
    for (const way of earlier) {
      const tried = fixed.map((fixedCable, n) => (n === i ? { ways: [way], through } : fixedCable));
      const placed = leastOf(tried, ports);
      if (placed && placed.cost <= least.cost) {
        now = placed.ways;
        break;
      }
    }
    fixed[i] = { ways: [mustHoldAt(now, i)], through };
  });
  return now;
}

/** So many remainders are looked at before a smallest set is given up for one of which nothing can be left out. */
const MOST_LEFT_OUT = 48;

/**
 * A smallest set of cables that cannot all be placed, of those the first by places in the list.
 * Whatever cannot be placed shares a cable with all that must be left out for the rest to be: so the first smallest set that
 * hits every such remainder seen is tried; where it can be placed it is filled up until nothing more goes in, and what is
 * then left out is one more remainder (smallest unsatisfiable subsets by implicit hitting sets, Ignatiev et al. 2015).
 * In a large closure that is only a little too small there are too many: then a set of which nothing can be left out.
 */
function smallestStuck(cables: readonly Asked[], ports: number) {
  const places = cables.map((_, i) => i);
  const fits = (set: readonly number[]): boolean =>
    leastOf(
      set.map((i) => mustHoldAt(cables, i)),
      ports,
    ) !== null;
  const leftOut: (readonly number[])[] = [];
  while (leftOut.length < MOST_LEFT_OUT) {
    const tried = firstHitting(leftOut);
    if (tried === null) break;
    if (!fits(tried)) return { set: tried, smallest: true };
    const grown = [...tried];
    for (const i of places) if (!grown.includes(i) && fits([...grown, i])) grown.push(i);
    leftOut.push(places.filter((i) => !grown.includes(i)));
  }
  let set: readonly number[] = places;
  for (const i of [...places].reverse()) {
    const without = set.filter((value) => value !== i);
    if (!fits(without)) set = without;
  }
  return { set, smallest: false };
}

/**
 * Which cable goes in which port of a closure: least cables in a port of another role, then least bushed, then the smallest
 * ports, then the first by the places of the ports, cable by cable.
 * @example bestPorts({ ports: dome.ports, cables: [{ id: "a", role: "branch", through: false, diameter: um(10_000) }] }).possible
 * // true
 */
export function bestPorts({ ports, cables }: PortsInput): PortsAnswer {
  const openCables = cables.map(
    (cable): Asked => ({ ways: waysOf(cable, ports), through: cable.through === true }),
  );
  const least = leastOf(openCables, ports.length);
  if (!least) {
    const { set, smallest } = smallestStuck(openCables, ports.length);
    return { possible: false, cannot: set.map((i) => mustHoldAt(cables, i).id), smallest };
  }
  const ways = firstOf(openCables, ports.length, least);
  return {
    possible: true,
    assignment: ways.map((way, i) => ({
      cable: mustHoldAt(cables, i).id,
      ports: way.ports.map((place) => mustHoldAt(ports, place).id),
      bushed: way.bushed,
    })),
    otherRole: ways.filter(({ otherRole }) => otherRole).length,
    bushed: ways.filter(({ bushed }) => bushed).length,
    valid: countWays(cables, ports),
  };
}
