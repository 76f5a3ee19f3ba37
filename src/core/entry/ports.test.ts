import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { check, problemOf } from "../problem/check";
import { bestPorts } from "./best-ports";
import { firstHitting } from "./hitting";
import { placeCables, portsBy } from "./placing";
import { type PortChoice, type PortsInput, waysOf, zPortsInput } from "./ports";
import { countWays } from "./ways-counted";

const roles = fc.constantFrom("through", "branch", "drop");
const port = fc
  .tuple(fc.nat(6), fc.nat(6), fc.nat(6), roles, fc.constantFrom("pair", "double", "single", "single"))
  .map(([bushedMin, more, most, role, kind]) => ({
    bushedMin,
    min: bushedMin + more,
    max: bushedMin + more + most,
    role,
    kind,
  }));
const cable = fc.tuple(fc.integer({ min: 1, max: 14 }), roles, fc.nat(3));

/** Closures small enough that every assignment can be tried. */
const small = fc
  .tuple(fc.array(port, { minLength: 1, maxLength: 6 }), fc.array(cable, { maxLength: 4 }))
  .map(([ports, cables]) => {
    const pairs = ports.flatMap(({ kind }, i) => (kind === "pair" ? [i] : []));
    const pairOf = (i: number) => {
      const n = pairs.indexOf(i);
      return n < 0 || (n === pairs.length - 1 && n % 2 === 0) ? undefined : `pair ${Math.floor(n / 2)}`;
    };
    return zPortsInput.parse({
      ports: ports.map(({ kind, ...limits }, i) => ({
        id: `P${i}`,
        ...limits,
        ...(kind === "double" ? { double: true } : {}),
        ...(pairOf(i) === undefined ? {} : { pair: pairOf(i) }),
      })),
      cables: cables.map(([diameter, role, n], i) => ({
        id: `c${i}`,
        diameter,
        role,
        ...(n === 0 ? { through: true } : {}),
      })),
    });
  });

/** Every assignment, tried one by one. */
function everyOne({ ports, cables }: PortsInput, of = cables): PortChoice[][] {
  const ways = of.map((item) => waysOf(item, ports));
  const go = (i: number, taken: ReadonlySet<number>): PortChoice[][] => {
    const here = ways[i];
    if (!here) return [[]];
    return here
      .filter((way) => way.ports.every((place) => !taken.has(place)))
      .flatMap((way) => go(i + 1, new Set([...taken, ...way.ports])).map((rest) => [way, ...rest]));
  };
  return go(0, new Set());
}

const rank = (ways: readonly PortChoice[]): number[] => [
  ways.filter(({ otherRole }) => otherRole).length,
  ways.filter(({ bushed }) => bushed).length,
  ways.reduce((sum, { size }) => sum + size, 0),
  ...ways.map(({ ports }) => ports[0] ?? 0),
];

const inFront = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
};

describe("cables in the ports of a closure", () => {
  it("are placed as trying every assignment places them, and as many are counted", () => {
    fc.assert(
      fc.property(small, (input) => {
        const all = everyOne(input);
        const portsAnswer = bestPorts(input);
        expect(portsAnswer.possible).toBe(all.length > 0);
        if (!portsAnswer.possible) return;
        expect(portsAnswer.valid).toBe(all.length);
        const [best] = all.sort((a, b) => inFront(rank(a), rank(b)));
        expect(portsAnswer.assignment.map(({ ports }) => ports)).toEqual(
          best?.map(({ ports }) => ports.map((place) => input.ports[place]?.id)),
        );
        expect([portsAnswer.otherRole, portsAnswer.bushed]).toEqual(rank(best ?? []).slice(0, 2));
      }),
      { numRuns: 400 },
    );
  });
  it("break no port: none holds two, none is closed round what it cannot hold, a through cable has its two ways", () => {
    fc.assert(
      fc.property(small, ({ ports, cables }) => {
        const portsAnswer = bestPorts({ ports, cables });
        if (!portsAnswer.possible) return;
        const used = portsAnswer.assignment.flatMap((item) => item.ports);
        expect(new Set(used).size).toBe(used.length);
        portsAnswer.assignment.forEach(({ ports: at }, i) => {
          const cable = cables[i];
          const of = ports.filter(({ id }) => at.includes(id));
          for (const { bushedMin, max } of of) {
            expect(cable?.diameter).toBeGreaterThanOrEqual(bushedMin);
            expect(cable?.diameter).toBeLessThanOrEqual(max);
          }
          const ways = of.reduce((sum, { double }) => sum + (double ? 2 : 1), 0);
          if (cable?.through) expect(ways).toBe(2);
          else expect(of).toHaveLength(1);
        });
      }),
    );
  });
  it("that cannot all be placed are named: a smallest set, the first of those", () => {
    const crowded = small.filter((input) => everyOne(input).length === 0);
    fc.assert(
      fc.property(crowded, (input) => {
        const portsAnswer = bestPorts(input);
        if (portsAnswer.possible) throw new Error("it was placed");
        const subsets = Array.from({ length: 2 ** input.cables.length }, (_, mask) =>
          input.cables.filter((_, i) => (mask >> i) & 1),
        );
        const stuck = subsets
          .filter((of) => everyOne(input, of).length === 0)
          .map((of) => of.map((item) => input.cables.indexOf(item)))
          .sort((a, b) => a.length - b.length || inFront(a, b));
        expect(portsAnswer.smallest).toBe(true);
        expect(portsAnswer.cannot).toEqual(stuck[0]?.map((i) => input.cables[i]?.id));
      }),
      { numRuns: 60 },
    );
  });
  it("are counted beyond what could be tried: each of 24 like cables in any of 24 like ports is 24 factorial", () => {
    const ports = Array.from({ length: 24 }, (_, i) => ({
      id: `P${i}`,
      min: 5,
      max: 12,
      bushedMin: 3,
      role: "drop",
    }));
    const cables = ports.map((_, i) => ({ id: `c${i}`, diameter: 7, role: "drop" }));
    const input = zPortsInput.parse({ ports, cables });
    const factorial = Array.from({ length: 24 }, (_, i) => i + 1).reduce((a, b) => a * b);
    expect(countWays(input.cables, input.ports) / factorial).toBeCloseTo(1, 9);
    expect(bestPorts(input)).toMatchObject({ possible: true, otherRole: 0, bushed: 0 });
  });
});

describe("the fewest numbers that hit every set", () => {
  it("are as few as trying every choice finds, and the first of those", () => {
    const sets = fc.array(
      fc.uniqueArray(fc.nat(6), { minLength: 1, maxLength: 4 }).map((set) => set.sort((a, b) => a - b)),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(sets, (all) => {
        const choices = Array.from({ length: 2 ** 7 }, (_, mask) =>
          Array.from({ length: 7 }, (_, i) => i).filter((i) => (mask >> i) & 1),
        )
          .filter((choice) => all.every((set) => set.some((value) => choice.includes(value))))
          .sort((a, b) => a.length - b.length || inFront(a, b));
        expect(firstHitting(all)).toEqual(choices[0]);
      }),
    );
  });
});

describe("a closure that cannot be", () => {
  const drop = { id: "A", min: 5, max: 12, bushedMin: 3, role: "drop" };
  it.each([
    ["a pair of one port", [{ ...drop, pair: "1" }], "bad-input"],
    [
      "a port that is paired and double",
      [
        { ...drop, pair: "1", double: true },
        { ...drop, id: "B", pair: "1" },
      ],
      "bad-input",
    ],
    ["two ports of one name", [drop, drop], "duplicate"],
    ["limits that are crossed", [{ ...drop, max: 4 }], "crossed-limits"],
    ["a bushing for thicker cables", [{ ...drop, bushedMin: 6 }], "crossed-limits"],
    ["a negative diameter", [{ ...drop, min: -1 }], "negative"],
  ])("is refused: %s", (_, ports, code) => {
    const refused = () => {
      try {
        return check(zPortsInput, { ports, cables: [] });
      } catch (error) {
        return problemOf(error)?.code;
      }
    };
    expect(refused()).toBe(code);
  });
});

describe("cables somebody puts into ports", () => {
  const { ports } = zPortsInput.parse({
    ports: [
      { id: "1", min: 10, max: 20, bushedMin: 7, role: "through", pair: "p" },
      { id: "2", min: 10, max: 20, bushedMin: 7, role: "through", pair: "p" },
      { id: "3", min: 8, max: 16, bushedMin: 5, role: "branch" },
      { id: "4", min: 3, max: 8, bushedMin: 2, role: "drop" },
    ],
    cables: [],
  });
  const cable = (id: string, mm: number, more: object = {}) => ({
    id,
    diameter: um(mm * 1000),
    role: "branch" as const,
    fixed: null,
    ...more,
  });
  const refused = (cables: Parameters<typeof placeCables>[1]) => {
    try {
      placeCables(ports, cables);
    } catch (error) {
      return problemOf(error)?.message;
    }
    return null;
  };
  it("stay where they are put, and the rest go the best way round them", () => {
    const placed = placeCables(ports, [cable("a", 9), cable("b", 9, { fixed: ["3"] })]);
    if (!placed.possible) throw new Error("there is room");
    expect(placed.at.map(({ ports: at }) => at)).toEqual([["1"], ["3"]]);
    expect([placed.otherRole, placed.bushed]).toEqual([1, 1]);
  });
  it("are told in words why they do not go where they are put, and change nothing", () => {
    expect(refused([cable("a", 16.2, { fixed: ["4"] })])).toBe(
      "Port 4 closes round 2.0 to 8.0 mm; this cable is 16.2 mm.",
    );
    expect(refused([cable("a", 12, { fixed: ["3"] }), cable("b", 12, { fixed: ["3"] })])).toBe(
      "Port 3 is taken by a.",
    );
    expect(refused([cable("a", 12, { through: true, fixed: ["3"] })])).toBe(
      "A cable that goes through needs both ports of a pair, or one double port.",
    );
  });
  it("going through take both ports of the pair that one of them is of", () => {
    const through = cable("a", 12, { through: true, role: "through" as const });
    expect(portsBy(through, ports, "2")).toEqual(["1", "2"]);
    expect(portsBy(cable("b", 12), ports, "2")).toEqual(["2"]);
    // With half of the pair taken there is no way through left.
    expect(placeCables(ports, [cable("b", 12, { fixed: ["1"] }), through])).toMatchObject({
      possible: false,
      cannot: ["a"],
    });
  });
});
