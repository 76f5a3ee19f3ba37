import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { statedLimits } from "../dimensions/dimension";
import { programme } from "./fixtures/programme";
import { leastRework } from "./least";
import { asAtLeast, type ReworkInput, zReworkInput } from "./problem";
import { rework } from "./rework";

const NAMES = ["a", "b", "c", "d", "e"];
const place = (i: number) => fc.integer({ min: -4, max: 4 }).map((off) => 20 * i + off);
const tolerance = fc.option(fc.integer({ min: 0, max: 6 }), { nil: null, freq: 5 });

/** Ends whose features lie near 20 apart, with limits about that; contradictions and hopeless ones among them. */
const problems = fc
  .record({
    features: fc.tuple(
      ...NAMES.map((name, i) =>
        fc.oneof(
          {
            weight: 6,
            arbitrary: fc.record({
              name: fc.constant(name),
              kind: fc.constant("cut"),
              at: place(i),
              bite: fc.nat(8),
            }),
          },
          { weight: 2, arbitrary: fc.record({ name: fc.constant(name), kind: fc.constant("mark") }) },
          {
            weight: 1,
            arbitrary: fc.record({ name: fc.constant(name), kind: fc.constant("fixed"), at: place(i) }),
          },
        ),
      ),
    ),
    pairs: fc.array(
      fc.record({
        pair: fc.shuffledSubarray([0, 1, 2, 3, 4], { minLength: 2, maxLength: 2 }),
        off: fc.integer({ min: -3, max: 3 }),
        plus: tolerance,
        minus: tolerance,
      }),
      { minLength: 1, maxLength: 7 },
    ),
    forced: fc.subarray([0, 1, 2, 3, 4], { maxLength: 2 }),
  })
  .map(
    ({ features, pairs, forced }): ReworkInput =>
      zReworkInput.parse({
        features,
        dimensions: pairs.map(({ pair, off, plus, minus }, i) => {
          const [from, to] = pair as [number, number];
          return {
            id: `d${i}`,
            from: NAMES[from],
            to: NAMES[to],
            nominal: 20 * (to - from) + off,
            plus,
            minus,
          };
        }),
        forced: forced.flatMap((i) => (features[i]?.kind === "mark" ? [] : [NAMES[i]])),
        cable: "e",
      }),
  );

const highs = await loadHighs();
describe("beside a mixed-integer solver (HiGHS)", () => {
  it("can and cannot be saved alike, and the least total is the same", () => {
    let solved = 0;
    fc.assert(
      fc.property(problems, (input) => {
        const mine = rework(input);
        const theirs = highs.solve(programme(input));
        const hopeless = input.forced.some((name) =>
          input.features.some((feature) => feature.name === name && feature.kind === "fixed"),
        );
        if (!mine.possible) {
          if (!hopeless) expect(theirs.Status).toMatch(/nfeasible/);
          return;
        }
        solved += 1;
        expect(theirs.Status).toBe("Optimal");
        const total = input.features.reduce(
          (sum, feature) => sum + (feature.kind === "cut" ? (mine.least[feature.name] as number) : 0),
          0,
        );
        expect(total).toBeCloseTo(theirs.ObjectiveValue, 0);
      }),
      { numRuns: 300 },
    );
    expect(solved).toBeGreaterThan(30);
  });
});

/** What a set of places breaks: limits, bites, what must stay. */
function broken(
  input: ReworkInput,
  places: Readonly<Record<string, number>>,
  moved: readonly string[],
): string[] {
  const limits = input.dimensions.flatMap(({ id, from, to, ...first }) => {
    const [a, b] = [places[from], places[to]];
    if (a === undefined || b === undefined) return [];
    const { min, max } = statedLimits(first);
    return b - a < min || b - a > max ? [`${id}: ${b - a}`] : [];
  });
  const moves = input.features.flatMap((feature) => {
    const at = places[feature.name] as number;
    if (feature.kind === "mark") return [];
    if (feature.kind === "fixed" || !moved.includes(feature.name))
      return at === feature.at ? [] : [`${feature.name} moved`];
    return at < feature.at + feature.bite ? [`${feature.name} forward or less than its bite`] : [];
  });
  return [...limits, ...moves];
}

describe("whatever was measured", () => {
  it("neither answer moves a feature forward, breaks a limit or moves what need not move", () => {
    fc.assert(
      fc.property(problems, (input) => {
        const match = rework(input);
        if (!match.possible) return;
        expect(broken(input, match.least, match.moved)).toEqual([]);
        expect(broken(input, match.recommended.positions, match.moved)).toEqual([]);
        expect(match.recommended.margin).toBeGreaterThanOrEqual(0);
        expect(match.recommended.margin).toBeLessThanOrEqual(1);
        expect(match.recommended.cableLost).toBeGreaterThanOrEqual(match.cableLost);
      }),
      { numRuns: 300 },
    );
  });
  it("redone as said, nothing more must be redone", () => {
    fc.assert(
      fc.property(problems, (input) => {
        const match = rework(input);
        if (!match.possible) return;
        const after = input.features.map((feature) =>
          feature.kind === "cut"
            ? { ...feature, at: match.least[feature.name] as typeof feature.at }
            : feature,
        );
        const built = { ...input, features: after, forced: [] };
        const again = leastRework(built, asAtLeast(built));
        expect(again.possible && [...again.moved]).toEqual([]);
      }),
    );
  });
});

const cut = (name: string, at: number, bite: number) => ({ name, kind: "cut", at, bite });
const between = (
  id: string,
  from: string,
  to: string,
  nominal: number,
  plus: number | null,
  minus: number | null,
) => ({ id, from, to, nominal, plus, minus });
const ask = (features: object[], dimensions: object[], forced: string[] = [], cable = "jacket") =>
  rework(zReworkInput.parse({ features, dimensions, forced, cable }));

describe("an end that came out wrong", () => {
  // Check value 2 (common practice, no source): jacket 70, buffer 40, cleave 10.5 ± 0.5.
  const limits = [
    between("cleave", "glass", "buffer", 10.5, 0.5, 0.5),
    between("beyond", "buffer", "jacket", 30, 1, 1),
  ];
  it("2: a cleave 1.2 long, with 8 of glass needed beyond the blade, strips 6.8 further; the jacket follows", () => {
    const rework = ask([cut("glass", 28.3, 8), cut("buffer", 40, 2), cut("jacket", 70, 3)], limits);
    expect(rework).toMatchObject({
      possible: true,
      moved: ["glass", "buffer", "jacket"],
      least: { glass: 36_300, buffer: 46_300, jacket: 75_300 },
      cableLost: 5_300,
    });
    expect(rework.possible && rework.recommended).toMatchObject({
      positions: { glass: 36_300, buffer: 46_800, jacket: 76_800 },
      margin: 1,
      cableLost: 6_800,
    });
  });
  it("2: only where as much bare glass is still there as the cleaver holds is one cleave enough", () => {
    const enough = ask([cut("glass", 21.5, 8), cut("buffer", 40, 2), cut("jacket", 70, 3)], limits);
    expect(enough).toMatchObject({ moved: ["glass"], least: { glass: 29_500 }, cableLost: 0 });
    const hair = ask([cut("glass", 22.01, 8), cut("buffer", 40, 2), cut("jacket", 70, 3)], limits);
    expect(hair.possible && hair.moved).toContain("buffer");
  });
  it("2: a cleave too short asks for more buffer off, and with it a fresh cleave and the jacket", () => {
    const short = ask([cut("glass", 30.6, 8), cut("buffer", 40, 2), cut("jacket", 70, 3)], limits);
    expect(short).toMatchObject({
      moved: ["glass", "buffer", "jacket"],
      least: { glass: 38_600, buffer: 48_600, jacket: 77_600 },
      cableLost: 7_600,
    });
  });
  it("once the joint is made nothing in front of it can be cut: the fixed end is named", () => {
    const rework = ask(
      [
        { name: "glass", kind: "fixed", at: 31.2 },
        { name: "buffer", kind: "fixed", at: 40 },
        cut("jacket", 70, 3),
      ],
      limits,
    );
    expect(rework).toEqual({ possible: false, reason: "fixed", feature: "buffer" });
  });
  it("a mark costs nothing and is drawn where its limits put it", () => {
    const rework = ask(
      [cut("buffer", 42, 2), { name: "mark", kind: "mark" }, cut("jacket", 70, 3)],
      [between("mark", "buffer", "mark", 11, 0.5, 0.5)],
    );
    expect(rework).toMatchObject({ moved: [], least: { buffer: 42_000, mark: 52_500 }, cableLost: 0 });
    expect(rework.possible && rework.recommended.positions.mark).toBe(53_000);
  });
  it("limits that contradict are told as that", () => {
    const rework = ask(
      [cut("buffer", 40, 2), cut("jacket", 70, 3)],
      [between("one", "buffer", "jacket", 30, 0, 0), between("two", "buffer", "jacket", 28, 0, 0)],
    );
    expect(rework).toMatchObject({ possible: false, reason: "contradictory", conflict: { shortBy: 2_000 } });
  });
  it.each([
    [{ forced: ["moon"] }, "unknown-feature"],
    [{ forced: ["mark"] }, "forced-mark"],
    [{ cable: "moon" }, "unknown-feature"],
  ])("%j is refused as %s", (changes, code) => {
    const read = zReworkInput.safeParse({
      features: [cut("buffer", 40, 2), { name: "mark", kind: "mark" }],
      dimensions: [],
      forced: [],
      cable: "buffer",
      ...changes,
    });
    const [issue] = read.error?.issues ?? [];
    expect(issue?.code === "custom" && issue.params?.code).toBe(code);
  });
});
