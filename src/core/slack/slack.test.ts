import fc from "fast-check";
import jStat from "jstat";
import { describe, expect, it } from "vitest";
import { compute } from "../operations/operations";
import { check } from "../problem/check";
import { cutLength, zCutLengthInput } from "./cut-length";
import { retriesFor } from "./retries";

const zMm = fc.integer({ min: 0, max: 5_000_000 }).map((n) => n / 1000);

const cuts = fc.record({
  route: fc.array(
    fc.record({ length: zMm, allowancePct: fc.integer({ min: 0, max: 100 }).map((n) => n / 10) }),
    { maxLength: 5 },
  ),
  stored: fc.array(fc.record({ turns: fc.integer({ min: 0, max: 9 }), perimeter: zMm }), { maxLength: 4 }),
  ends: fc.array(
    fc.record({ prep: zMm, waste: zMm, retries: fc.integer({ min: 0, max: 5 }), perRetry: zMm }),
    { maxLength: 2 },
  ),
  roundUpTo: fc.constantFrom(1, 10, 100, 500, 1_000),
});

describe("a cut length", () => {
  it("is the sum of its parts, rounded up once and by less than a step", () => {
    fc.assert(
      fc.property(cuts, (input) => {
        const given = check(zCutLengthInput, input);
        const { route, stored, ends, exact, cut } = cutLength(given);
        expect(route + stored + ends).toBe(exact);
        expect(cut % given.roundUpTo).toBe(0);
        expect(cut).toBeGreaterThan(exact - 1);
        expect(cut - exact).toBeLessThan(given.roundUpTo);
      }),
    );
  });
  it("is never shorter for a longer route, one turn more, or one retry more", () => {
    fc.assert(
      fc.property(cuts, fc.nat({ max: 9_000 }), (input, more) => {
        const cutOf = (changed: object) => cutLength(check(zCutLengthInput, { ...input, ...changed })).cut;
        const before = cutOf({});
        const [route] = input.route;
        const [stored] = input.stored;
        const [end] = input.ends;
        if (route)
          expect(
            cutOf({
              route: [
                { ...route, length: Math.round((route.length + more) * 1000) / 1000 },
                ...input.route.slice(1),
              ],
            }),
          ).toBeGreaterThanOrEqual(before);
        if (stored)
          expect(
            cutOf({ stored: [{ ...stored, turns: stored.turns + 1 }, ...input.stored.slice(1)] }),
          ).toBeGreaterThanOrEqual(before);
        if (end)
          expect(
            cutOf({ ends: [{ ...end, retries: end.retries + 1 }, ...input.ends.slice(1)] }),
          ).toBeGreaterThanOrEqual(before);
      }),
    );
  });
  it("on a step already is not rounded a step further", async () => {
    const route = [{ length: 1_000, allowancePct: 10 }];
    expect(await compute("cut-length", { route, stored: [], ends: [], roundUpTo: 100 })).toMatchObject({
      exact: 1_100,
      cut: 1_100,
    });
  });
  it("is refused with a negative route, half a turn, or no step to round to", async () => {
    const input = { route: [], stored: [], ends: [], roundUpTo: 1 };
    const refused = (changed: object) => expect(compute("cut-length", { ...input, ...changed })).rejects;
    await refused({ route: [{ length: -1, allowancePct: 0 }] }).toMatchObject({
      problem: { code: "negative" },
    });
    await refused({ stored: [{ turns: 0.5, perimeter: 1 }] }).toMatchObject({
      problem: { message: expect.stringContaining("turns must be a whole number") },
    });
    await refused({ roundUpTo: 0 }).toMatchObject({ problem: { code: "negative" } });
  });
});

describe("retries", () => {
  // jStat's binomial and beta distributions, an implementation of their own.
  it("fall short as the binomial distribution says, attempt by attempt", () => {
    for (const p of [0.5, 0.8, 0.97])
      for (const ends of [1, 12, 144]) {
        const { short } = retriesFor({ yield: { p }, ends, risk: 0.01, most: 4 });
        short.forEach((chance, r) => {
          const fails = (1 - p) ** (r + 1);
          expect(chance).toBeCloseTo(1 - jStat.binomial.pdf(0, ends, fails), 9);
        });
      }
  });
  it("of a record fall short as the beta distribution averages them, added up piece by piece", () => {
    for (const [good, tried, ends] of [
      [5, 5, 6],
      [18, 20, 24],
      [90, 100, 1],
    ] as const) {
      const { short } = retriesFor({ yield: { good, tried }, ends, risk: 0.01, most: 2 });
      short.forEach((chance, r) => {
        const pieces = 40_000;
        let sum = 0;
        // Equal shares of the distribution, each at its middle quantile.
        for (let i = 0; i < pieces; i += 40) {
          const p = jStat.beta.inv((i + 20) / pieces, good + 0.5, tried - good + 0.5);
          sum += 1 - (1 - (1 - p) ** (r + 1)) ** ends;
        }
        expect(chance).toBeCloseTo(sum / (pieces / 40), 3);
      });
    }
  });
  it("are fewer likely to fall short the more there are, and more likely the more ends there are", () => {
    const inputs = fc.record({
      tried: fc.integer({ min: 0, max: 5_000 }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
      ends: fc.integer({ min: 1, max: 2_000 }),
    });
    fc.assert(
      fc.property(inputs, ({ tried, share, ends }) => {
        const record = { good: Math.floor(tried * share), tried };
        const { short } = retriesFor({ yield: record, ends, risk: 0, most: 5 });
        const more = retriesFor({ yield: record, ends: ends + 1, risk: 0, most: 5 }).short;
        for (const [r, chance] of short.entries()) {
          expect(chance).toBeGreaterThanOrEqual(-1e-12);
          expect(chance).toBeLessThanOrEqual((short[r - 1] ?? 1) + 1e-9);
          expect(more[r]).toBeGreaterThanOrEqual(chance - 1e-9);
        }
      }),
    );
  });
  it("of a long record are as of the yield it stands for", () => {
    const long = retriesFor({ yield: { good: 950_000, tried: 1_000_000 }, ends: 12, risk: 0.05, most: 4 });
    const stated = retriesFor({ yield: { p: 0.95 }, ends: 12, risk: 0.05, most: 4 });
    expect(long.retries).toBe(stated.retries);
    for (const [r, chance] of stated.short.entries()) expect(long.short[r]).toBeCloseTo(chance, 4);
  });
  it("are refused with a yield of 1.2, or more good than were tried", async () => {
    const input = { ends: 1, risk: 0.1, most: 1 };
    await expect(compute("retries", { ...input, yield: { p: 1.2 } })).rejects.toMatchObject({
      problem: { path: ["yield", "p"] },
    });
    await expect(compute("retries", { ...input, yield: { good: 3, tried: 2 } })).rejects.toMatchObject({
      problem: { code: "crossed-limits" },
    });
  });
});
