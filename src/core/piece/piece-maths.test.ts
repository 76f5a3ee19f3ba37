import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compute } from "../operations/operations";
import { check } from "../problem/check";
import { InputError } from "../problem/problem";
import { identity } from "./identity";
import { fibreLength, zLayInput } from "./lay";
import { hang, zSagInput } from "./sag";

const refusal = async (operation: string, input: unknown) => {
  try {
    return await compute(operation, input);
  } catch (error) {
    if (error instanceof InputError) return [error.problem.code, error.problem.path[0]];
    throw error;
  }
};

describe("a fibre's identity", () => {
  // TIA-598, from memory: twelve colours; a 1,728-fibre cable is 144 tubes of twelve.
  it("says the same both ways for every fibre of 1,728, and no two alike", () => {
    const seen = new Set<string>();
    for (let number = 1; number <= 1_728; number++) {
      const eachIdentity = identity({ perTube: 12, tubes: 144, number });
      const again = identity({
        perTube: 12,
        tubes: 144,
        tube: eachIdentity.tube.position,
        fibre: eachIdentity.fibre.position,
      });
      expect(again).toEqual(eachIdentity);
      seen.add(
        `${eachIdentity.tube.code}${eachIdentity.tube.tracers} ${eachIdentity.fibre.code}${eachIdentity.fibre.tracers}`,
      );
    }
    expect(seen.size).toBe(1_728);
  });
  it("begins the colours again after twelve, with a tracer more", () => {
    const { tube, fibre } = identity({ perTube: 24, tubes: 26, tube: 26, fibre: 13 });
    expect([tube.code, tube.tracers, fibre.code, fibre.tracers]).toEqual(["OR", 2, "BL", 1]);
  });
  it("refuses what the cable does not have, and what says a fibre twice or not at all", async () => {
    const cable = { perTube: 12, tubes: 6 };
    expect(await refusal("identity", { ...cable, number: 73 })).toEqual(["no-such-element", "number"]);
    expect(await refusal("identity", { ...cable, tube: 7, fibre: 1 })).toEqual(["no-such-element", "tube"]);
    expect(await refusal("identity", { ...cable, tube: 1, fibre: 0 })).toEqual(["no-such-element", "fibre"]);
    expect(await refusal("identity", { ...cable, number: 1, tube: 1 })).toEqual(["bad-input", "number"]);
    expect(await refusal("identity", cable)).toEqual(["bad-input", "number"]);
    expect(await refusal("identity", { ...cable, tube: 1 })).toEqual(["bad-input", "fibre"]);
  });
});

describe("fibre and sheath", () => {
  it("give each other back, the fibre never the shorter", () => {
    const inputs = fc.record({
      sheath: fc.integer({ min: 1, max: 1e9 }).map((n) => n / 1000),
      diameter: fc.integer({ min: 0, max: 30_000 }).map((n) => n / 1000),
      pitch: fc.integer({ min: 10_000, max: 500_000 }).map((n) => n / 1000),
      excessPct: fc.integer({ min: 0, max: 5 }),
    });
    fc.assert(
      fc.property(inputs, ({ sheath, diameter, pitch, excessPct }) => {
        const given = check(zLayInput, { sheath, lay: { diameter, pitch }, excessPct });
        const there = fibreLength(given);
        expect(there.fibre).toBeGreaterThanOrEqual(there.sheath);
        expect(there.fibre / there.factor).toBeCloseTo(there.sheath, 3);
      }),
    );
  });
  it("are said one of the two", async () => {
    expect(await refusal("lay", { excessPct: 1 })).toEqual(["bad-input", "sheath"]);
    expect(await refusal("lay", { sheath: 1, fibre: 1, excessPct: 1 })).toEqual(["bad-input", "sheath"]);
    expect(await refusal("lay", { sheath: 1, lay: { diameter: 1, pitch: 0 }, excessPct: 0 })).toEqual([
      "negative",
      "lay",
    ]);
  });
});

/** Arc length of a curve between two points, by ever shorter straight pieces. */
function arcLength(y: (x: number) => number, from: number, to: number, pieces = 200_000): number {
  let [length, x0, y0] = [0, from, y(from)];
  for (let i = 1; i <= pieces; i++) {
    const x = from + ((to - from) * i) / pieces;
    const next = y(x);
    length += Math.hypot(x - x0, next - y0);
    [x0, y0] = [x, next];
  }
  return length;
}

describe("a hanging cable", () => {
  it.each([
    [40_000, 800],
    [113_597, 4_247],
    [20_000, 30_000],
  ])("of span %i and sag %i is as long as its curve measured piece by piece", (span, sag) => {
    const { parameter: a, length } = hang(check(zSagInput, { span, sag }));
    if (a === null) throw new Error("it hangs");
    const curve = arcLength((x) => a * (Math.cosh(x / a) - 1), (-span * 1000) / 2, (span * 1000) / 2);
    expect(length / curve).toBeCloseTo(1, 7);
    expect(a * (Math.cosh((span * 500) / a) - 1)).toBeCloseTo(sag * 1000, 0);
  });
  it("between points of unlike height is as long as its curve measured piece by piece", () => {
    const [span, rise, parameter] = [60_000, 9_000, 150_000];
    const { length } = hang(check(zSagInput, { span, rise, parameter }));
    const [s, h, a] = [span * 1000, rise * 1000, parameter * 1000];
    // The lowest point lies so far from the middle that the two ends differ by the rise.
    const middle = a * Math.asinh(h / (2 * a * Math.sinh(s / (2 * a))));
    const curve = arcLength((x) => a * Math.cosh(x / a), middle - s / 2, middle + s / 2);
    expect(length / curve).toBeCloseTo(1, 7);
  });
  it("is longer the more it sags, and for a little sag as long as the parabola says", () => {
    const lengths = [0, 10, 100, 1_000, 10_000].map((sag) => hang(check(zSagInput, { span: 50_000, sag })));
    for (const [i, { length, slack }] of lengths.entries()) {
      expect(slack).toBeGreaterThanOrEqual(0);
      if (i > 0) expect(length).toBeGreaterThan(lengths[i - 1]?.length ?? Number.POSITIVE_INFINITY);
    }
    expect(lengths[2]?.length).toBeCloseTo(lengths[2]?.parabola ?? 0, 0);
  });
  it("is refused without a span, with a rise downwards, or hung straight down", async () => {
    expect(await refusal("sag", { span: 0, sag: 1 })).toEqual(["negative", "span"]);
    expect(await refusal("sag", { span: 1, sag: 200 })).toEqual(["limit", "sag"]);
    expect(await refusal("sag", { span: 100, rise: 0, parameter: 1 })).toEqual(["limit", "parameter"]);
    expect((await refusal("sag", { span: 100, rise: -1, parameter: 100 })) as unknown[]).toContain("rise");
  });
});
