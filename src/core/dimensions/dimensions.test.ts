import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { findConflict } from "./conflict";
import { type Dimension, type DimensionsInput, statedLimits, zDimensionsInput } from "./dimension";
import { closeLimits, limitBetween } from "./dimensions";

const between = (id: string, from: string, to: string, min: number, max: number) => ({
  id,
  from,
  to,
  nominal: min,
  plus: max - min,
  minus: 0,
});
const close = (features: string[], dimensions: object[]) =>
  closeLimits(zDimensionsInput.parse({ features, dimensions }));

describe("the worked example of Dechter, Meiri & Pearl 1991 (minutes read as millimetres)", () => {
  // “Temporal constraint networks”, Artificial Intelligence 49, example 1.1 with its minimal network (from memory).
  const closed = close(
    ["x0", "x1", "x2", "x3", "x4"],
    [
      between("a", "x0", "x1", 10, 20),
      between("b", "x1", "x2", 30, 40),
      between("c", "x3", "x2", 10, 20),
      between("d", "x3", "x4", 40, 50),
      between("e", "x0", "x4", 60, 70),
    ],
  );
  it.each([
    ["x0", "x1", 10, 20],
    ["x0", "x2", 40, 50],
    ["x0", "x3", 20, 30],
    ["x0", "x4", 60, 70],
    ["x1", "x2", 30, 40],
    ["x1", "x3", 10, 20],
    ["x1", "x4", 50, 60],
    ["x2", "x3", -20, -10],
    ["x2", "x4", 20, 30],
    ["x3", "x4", 40, 50],
  ])("%s to %s lies within %d and %d", (from, to, min, max) => {
    if (!closed.consistent) throw new Error("it is consistent");
    expect(limitBetween(closed.limits, from, to)).toEqual({ from, to, min: min * 1000, max: max * 1000 });
  });
});

describe("contradictions", () => {
  it("are told as one chain and by how much", () => {
    const closed = close(
      ["end", "jacket", "buffer"],
      [
        between("jacket", "end", "jacket", 64, 64),
        between("buffer", "end", "buffer", 40, 40),
        between("behind", "buffer", "jacket", 26, 26),
      ],
    );
    expect(closed).toEqual({
      consistent: false,
      conflict: { ids: expect.arrayContaining(["jacket", "buffer", "behind"]), shortBy: 2000 },
    });
  });
  it("name the shortest chain when there are several", () => {
    const closed = close(
      ["a", "b", "c", "d"],
      [
        between("1", "a", "b", 10, 10),
        between("2", "b", "c", 10, 10),
        between("3", "c", "d", 10, 10),
        between("4", "a", "d", 40, 40),
        between("5", "a", "b", 12, 12),
      ],
    );
    expect(closed).toMatchObject({
      consistent: false,
      conflict: { ids: expect.arrayContaining(["1", "5"]), shortBy: 2000 },
    });
    if (!closed.consistent) expect(closed.conflict.ids).toHaveLength(2);
  });
});

const name = fc.integer({ min: 0, max: 5 }).map((i) => `f${i}`);
const features = ["f0", "f1", "f2", "f3", "f4", "f5"];
const side = fc.option(fc.integer({ min: 0, max: 5_000 }).map(um), { nil: null, freq: 5 });
const dimensions = fc
  .array(
    fc
      .record({
        from: name,
        to: name,
        nominal: fc.integer({ min: -60_000, max: 60_000 }).map(um),
        plus: side,
        minus: side,
      })
      .filter(({ from, to }) => from !== to),
    { minLength: 1, maxLength: 9 },
  )
  .map((list): Dimension[] => list.map((item, i) => ({ ...item, id: `d${i}` })));
/** Consistent by construction: each nominal is measured off hidden positions, give or take its tolerance. */
const grounded = fc
  .tuple(fc.array(fc.integer({ min: 0, max: 90_000 }), { minLength: 6, maxLength: 6 }), dimensions)
  .map(([at, list]): Dimension[] =>
    list.map((dimension) => ({
      ...dimension,
      nominal: um((at[Number(dimension.to[1])] as number) - (at[Number(dimension.from[1])] as number)),
    })),
  );
const either = fc
  .oneof(dimensions, grounded)
  .map((list): DimensionsInput => ({ features, dimensions: list }));

/** The same question put as a linear programme, in the solver's text format. */
function programme(goal: string, { dimensions: list }: DimensionsInput): string {
  const rows = list.flatMap((item, i) => {
    const { min, max } = statedLimits(item);
    const span = `${item.to} - ${item.from}`;
    return [
      ...(Number.isFinite(min) ? [`l${i}: ${span} >= ${min}`] : []),
      ...(Number.isFinite(max) ? [`u${i}: ${span} <= ${max}`] : []),
    ];
  });
  return `${goal}\nSubject To\n anchor: f0 = 0\n ${rows.join("\n ")}\nBounds\n ${features.map((feature) => `${feature} free`).join("\n ")}\nEnd\n`;
}

const highs = await loadHighs();

describe("beside a linear-programming solver (HiGHS)", () => {
  it("limits, contradictions and open sides are the same", () => {
    fc.assert(
      fc.property(either, fc.shuffledSubarray(features, { minLength: 2, maxLength: 2 }), (input, pair) => {
        const [from, to] = pair as [string, string];
        const solved = highs.solve(programme(`Maximize\n goal: ${to} - ${from}`, input));
        const closed = closeLimits(input);
        expect(findConflict(input.features, input.dimensions)).toEqual(
          closed.consistent ? null : closed.conflict,
        );
        if (!closed.consistent) {
          expect(solved.Status).toMatch(/nfeasible/);
          return;
        }
        const max = limitBetween(closed.limits, from, to)?.max ?? null;
        if (max === null) expect(solved.Status).toMatch(/nbounded/);
        else expect(solved.ObjectiveValue).toBeCloseTo(max, 3);
      }),
      { numRuns: 150 },
    );
  });
  it("a chain named as contradictory is so by itself, and giving one of its limits the shortfall mends it", () => {
    fc.assert(
      fc.property(dimensions, (list) => {
        const closed = closeLimits({ features, dimensions: list });
        if (closed.consistent) return;
        const { ids, shortBy } = closed.conflict;
        const dimensions = list.filter(({ id }) => ids.includes(id));
        expect(highs.solve(programme("Minimize\n goal: f0", { features, dimensions })).Status).toMatch(
          /nfeasible/,
        );
        expect(shortBy).toBeGreaterThan(0);
        const [first, ...rest] = dimensions as [Dimension, ...Dimension[]];
        const wider = {
          ...first,
          plus: first.plus === null ? null : um(first.plus + shortBy),
          minus: first.minus === null ? null : um(first.minus + shortBy),
        };
        expect(closeLimits({ features, dimensions: [wider, ...rest] }).consistent).toBe(true);
      }),
    );
  });
});

describe("whatever the limits", () => {
  it("the order in which they are stated does not matter", () => {
    fc.assert(
      fc.property(grounded, (list) => {
        const forth = closeLimits({ features, dimensions: list });
        const back = closeLimits({ features, dimensions: [...list].reverse() });
        if (!forth.consistent || !back.consistent) throw new Error("grounded limits always hold");
        expect(back.limits).toEqual(forth.limits);
        expect([...back.tightened].sort()).toEqual([...forth.tightened].sort());
      }),
    );
  });
  it("said from the other feature a limit is the same limit", () => {
    fc.assert(
      fc.property(grounded, (list) => {
        const closed = closeLimits({ features, dimensions: list });
        if (!closed.consistent) throw new Error("grounded limits always hold");
        for (const { from, to, min, max } of closed.limits)
          expect(limitBetween(closed.limits, to, from)).toEqual({
            from: to,
            to: from,
            min: max === null ? null : 0 - max,
            max: min === null ? null : 0 - min,
          });
      }),
    );
  });
});
