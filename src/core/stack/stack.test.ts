import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { stackErrors, zStackInput } from "./stack";

const stack = (features: object[], ...pairs: [string, string][]) =>
  stackErrors(zStackInput.parse({ features, between: pairs.map(([from, to]) => ({ from, to })) }));

describe("errors along the chain of datums", () => {
  it("two marks made from the end hold each other better than a chain of them", () => {
    const fromEnd = stack(
      [
        { name: "end" },
        { name: "first", from: "end", nominal: 37, error: 0.5 },
        { name: "second", from: "end", nominal: 48.5, error: 0.5 },
      ],
      ["end", "second"],
    );
    const chained = stack(
      [
        { name: "end" },
        { name: "first", from: "end", nominal: 37, error: 0.5 },
        { name: "second", from: "first", nominal: 11.5, error: 0.5 },
      ],
      ["end", "second"],
    );
    expect(fromEnd.positions).toEqual(chained.positions);
    expect(fromEnd.between[0]?.worst).toBe(500);
    expect(chained.between[0]?.worst).toBe(1000);
  });
  it("what two features share cancels", () => {
    const { between } = stack(
      [
        { name: "end" },
        { name: "edge", from: "end", nominal: 60, error: 2 },
        { name: "a", from: "edge", nominal: -10, error: 0.3 },
        { name: "b", from: "edge", nominal: 5, error: 0.4 },
      ],
      ["a", "b"],
    );
    expect(between[0]).toMatchObject({ nominal: 15_000, worst: 700, rss: 500 });
  });
  it("takes features in any order, children first", () => {
    expect(
      stack([
        { name: "b", from: "a", nominal: 2, error: 0 },
        { name: "a", from: "end", nominal: 1, error: 0 },
        { name: "end" },
      ]).positions,
    ).toEqual({ end: 0, a: 1000, b: 3000 });
  });
  it("stands the longest chain, and refuses one longer", () => {
    const chain = Array.from({ length: 499 }, (_, i) => ({
      name: `m${i + 1}`,
      from: `m${i}`,
      nominal: 1,
      error: 0.001,
    }));
    expect(stack([{ name: "m0" }, ...chain], ["m0", "m499"]).between[0]?.worst).toBe(499);
    expect(() =>
      stack([{ name: "m0" }, ...chain, { name: "x", from: "m499", nominal: 1, error: 0 }]),
    ).toThrow("At most 500 features");
  });
});

describe("over any tree of datums", () => {
  const tree = fc
    .array(
      fc.record({
        parent: fc.nat(),
        nominal: fc.integer({ min: -50_000, max: 50_000 }),
        error: fc.integer({ min: 0, max: 2_000 }),
      }),
      { minLength: 1, maxLength: 12 },
    )
    .map((nodes) => [
      { name: "n0" },
      ...nodes.map(({ parent, nominal, error }, i) => ({
        name: `n${i + 1}`,
        from: `n${parent % (i + 1)}`,
        nominal: nominal / 1000,
        error: error / 1000,
      })),
    ]);
  it("counts each error as often as its feature moves the distance, and no other", () => {
    fc.assert(
      fc.property(tree, fc.nat(), fc.nat(), (features, i, j) => {
        const [from, to] = [`n${i % features.length}`, `n${j % features.length}`];
        const [pair] = stack(features, [from, to]).between;
        // Independent of the path walk: nudge one nominal and see whether the distance follows.
        const gain = (name: string) => {
          const shifted = stack(
            features.map((feature) =>
              feature.name === name && "nominal" in feature
                ? { ...feature, nominal: Math.round((feature.nominal as number) * 1000 + 1000) / 1000 }
                : feature,
            ),
            [from, to],
          );
          return ((shifted.between[0]?.nominal as number) - (pair?.nominal as number)) / 1000;
        };
        const errors = features.flatMap((feature) =>
          "error" in feature ? [Math.abs(gain(feature.name)) * (feature.error as number) * 1000] : [],
        );
        expect(pair?.worst).toBeCloseTo(
          errors.reduce((a, b) => a + b, 0),
          3,
        );
        expect(pair?.rss).toBeCloseTo(Math.hypot(...errors), 3);
      }),
    );
  });
});
