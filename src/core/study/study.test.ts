import fc from "fast-check";
import jStat from "jstat";
import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { aimOf } from "./aim";
import { chiSquaredQuantile, studentQuantile } from "./distributions";
import { repeatabilityOf, zStudyInput } from "./repeatability";

describe("quantiles beside jStat", () => {
  it("chi-squared", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 0.995, noNaN: true }),
        fc.integer({ min: 2, max: 60 }),
        (p, n) => {
          expect(chiSquaredQuantile(p, n)).toBeCloseTo(jStat.chisquare.inv(p, n), 4);
        },
      ),
    );
  });
  it("Student's t", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 0.995, noNaN: true }),
        fc.integer({ min: 2, max: 60 }),
        (p, n) => {
          expect(studentQuantile(p, n)).toBeCloseTo(jStat.studentt.inv(p, n), 4);
        },
      ),
    );
  });
  it("the printed tables: χ² 0.975 of 9 is 19.023, 0.025 is 2.700; t 0.975 of 9 is 2.262 (NIST e-Handbook 1.3.6.7)", () => {
    expect(chiSquaredQuantile(0.975, 9)).toBeCloseTo(19.023, 3);
    expect(chiSquaredQuantile(0.025, 9)).toBeCloseTo(2.7, 3);
    expect(studentQuantile(0.975, 9)).toBeCloseTo(2.262, 3);
  });
});

const readings = [9.52, 9.5, 9.51, 9.49, 9.53, 9.5, 9.48, 9.51, 9.52, 9.5].map(mm);

describe("one piece measured ten times", () => {
  it("repeats to the standard deviation of the readings, with its limits", () => {
    const repeatability = repeatabilityOf(readings);
    expect(repeatability.mean).toBeCloseTo(9_506, 6);
    // By hand: squares 1.44e-4 + … = 2040 µm² → s = √(2040 / 9).
    expect(repeatability.s).toBeCloseTo(jStat.stdev(readings as number[], true), 9);
    expect(repeatability.low).toBeCloseTo(repeatability.s * Math.sqrt(9 / 19.023), 2);
    expect(repeatability.high).toBeCloseTo(repeatability.s * Math.sqrt(9 / 2.7004), 2);
    expect(repeatability.stray).toBeNull();
  });
  it("all alike scatters by nothing it can show: what is left is its resolution", () => {
    expect(repeatabilityOf(readings.map(() => mm(9.5)))).toMatchObject({
      s: 0,
      repeatability: 0,
      stray: null,
    });
  });
  it("a slip of the hand is told by its place", () => {
    const slipped = [...readings.slice(0, 6), mm(10.4), ...readings.slice(7)];
    expect(repeatabilityOf(slipped).stray).toBe(6);
  });
  it.each([
    [{ person: "", instrument: "loupe", readings: [1, 1, 1, 1, 1] }, "person"],
    [{ person: "Wyn", instrument: "loupe", readings: [1, 1] }, "readings"],
    [{ person: "Wyn", instrument: "loupe", readings: [1, 1, 1, 1, 1.0001] }, "readings"],
  ])("%j is refused at its %s", (input, path) => {
    expect(zStudyInput.safeParse(input).error?.issues[0]?.path[0]).toBe(path);
  });
});

describe("how somebody aims", () => {
  const limits = { nominal: mm(9.2), min: mm(8.7), max: mm(9.7) };
  const long = [9.42, 9.55, 9.5, 9.48, 9.52, 9.61, 9.39, 9.5, 9.53, 9.5].map((value) => mm(value));
  it("ten cleaves 0.3 long: set 8.9", () => {
    const aim = aimOf(long, limits);
    expect(aim?.bias).toBeCloseTo(300, 6);
    expect(aim?.set).toBe(mm(8.9));
    expect(aim?.sure).toBeGreaterThan(0.999);
    expect(aim && aim.biasLow > 0).toBe(true);
  });
  it("Cp and Cpk by their definitions, their limits about them (NIST e-Handbook 7.1.6)", () => {
    const aim = aimOf(long, limits);
    const s = jStat.stdev(long as number[], true);
    expect(aim?.cp?.value).toBeCloseTo(1_000 / (6 * s), 6);
    expect(aim?.cpk?.value).toBeCloseTo((9_700 - 9_500) / (3 * s), 6);
    for (const index of [aim?.cp, aim?.cpk])
      expect(index && index.low < index.value && index.value < index.high).toBe(true);
  });
  it("fewer than eight ends say nothing", () => {
    expect(aimOf(long.slice(0, 7), limits)).toBeNull();
  });
  it("a bias that may be chance, or too small to set, gives no figure to aim at", () => {
    const wide = [9.0, 9.6, 8.8, 9.5, 9.3, 9.1, 9.7, 8.9].map(mm);
    expect(aimOf(wide, limits)?.set).toBeNull();
    expect(
      aimOf(
        long.map((value) => mm((value - 270) / 1000)),
        limits,
      )?.set,
    ).toBeNull();
  });
  it("a figure to aim at never lies outside the limits", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 8_000, max: 11_000 }), { minLength: 8, maxLength: 30 }),
        (values) => {
          const aim = aimOf(values, limits);
          if (!aim || aim.set === null) return;
          expect(aim.set).toBeGreaterThanOrEqual(limits.min);
          expect(aim.set).toBeLessThanOrEqual(limits.max);
          expect(Math.sign(limits.nominal - aim.set)).toBe(Math.sign(aim.bias));
        },
      ),
    );
  });
});
