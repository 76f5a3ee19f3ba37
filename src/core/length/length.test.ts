import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { required } from "../problem/problem";
import { dualUnitCheck } from "./dual-unit";
import { errorFits, formatInch, formatLength, formatMm, nearestFraction, workingFraction } from "./format";
import { mm, um, zMm } from "./length";
import { parseLength } from "./parse";

const read = (text: string, unit: "mm" | "in" = "mm") => required(parseLength(text, { unit })).length;
const codeOf = (text: string, unit: "mm" | "in" = "mm") => {
  const outcome = parseLength(text, { unit });
  return outcome.ok ? "taken" : outcome.problem.code;
};

describe("a length crosses the edge as millimetres with at most three decimals", () => {
  it("is exact to the micrometre", () => {
    expect(zMm.parse(9.525)).toBe(9525);
    expect(zMm.parse(-85.8)).toBe(-85_800);
    expect(zMm.parse(1234567.891)).toBe(1_234_567_891);
  });
  it.each([0.0005, 0.1 + 0.2, 1e-7, Number.NaN, Number.POSITIVE_INFINITY, 2e9])("refuses %s", (value) => {
    expect(zMm.safeParse(value).success).toBe(false);
    expect(() => mm(value)).toThrow(/millimetres/);
  });
  it("keeps every micrometre there and back", () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e12, max: 1e12 }), (value) => {
        expect(zMm.parse(value / 1000)).toBe(value);
      }),
    );
  });
});

describe("a length is read as a technician writes it", () => {
  // Inch = 25.4 mm exactly: NIST SP 811, appendix B.
  it.each([
    ["37.5", 37_500],
    ["1,5 mm", 1_500],
    ["12 cm", 120_000],
    ["2.5m", 2_500_000],
    ["250 µm", 250],
    ["250um", 250],
    ["1 1/2 in", 38_100],
    ["2-1/4 in", 57_150],
    ['37.5"', 952_500],
    ["3/8", 9_525],
    ["3/8 in", 9_525],
    ["1½ in", 38_100],
    ["1/64 in", 397],
    ["1 ft 2 in", 355_600],
    ["1' 6 1/2\"", 469_900],
    ["2 feet", 609_600],
    ["10 inches", 254_000],
    [" .5 mm ", 500],
    ["0,500 mm", 500],
  ])("%s is %d µm", (text, value) => {
    expect(read(text)).toBe(value);
  });
  it("takes a bare number in the unit in use, and a bare fraction always in inches", () => {
    expect(read("2", "in")).toBe(50_800);
    expect(read("1 1/2", "mm")).toBe(38_100);
    expect(read("2 mm", "in")).toBe(2_000);
  });
  it.each([
    ["", "empty"],
    ["abc", "not-a-length"],
    ["12 34", "not-a-length"],
    ["3/0", "over-zero"],
    ["1,500", "ambiguous-comma"],
    ["1.5,2", "two-separators"],
    ["-3", "negative"],
    ["1.2345 mm", "too-fine"],
    ["3/8 mm", "not-a-length"],
    ["1e3", "not-a-length"],
    ["9".repeat(30), "too-long"],
    ["9".repeat(60), "not-a-length"],
  ])("refuses “%s” as %s", (text, code) => {
    expect(codeOf(text)).toBe(code);
  });
  it("refuses a 40 m strip where the most is 5 m, and says the most", () => {
    const outcome = parseLength("40 m", { unit: "mm", max: um(5_000_000) });
    expect(outcome).toMatchObject({ ok: false, problem: { code: "too-long", message: /5000 mm/ } });
  });
  it("never throws, whatever is typed", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        expect(typeof parseLength(text, { unit: "mm" }).ok).toBe("boolean");
      }),
    );
  });
  it("reads back what it writes, in millimetres and in sixty-fourths", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5_000_000 }), (value) => {
        expect(read(formatMm(value))).toBe(value);
        const fraction = nearestFraction(um(value), 64);
        expect(read(`${fraction.text} in`)).toBe(fraction.length);
      }),
    );
  });
});

describe("the nearest fraction of an inch", () => {
  it("comes in lowest terms with the error it makes", () => {
    expect(nearestFraction(mm(48.5), 32)).toEqual({ text: "1 29/32", length: 48_419, error: -81 });
    expect(nearestFraction(mm(9.525), 16)).toMatchObject({ text: "3/8", error: 0 });
    expect(nearestFraction(mm(0), 16).text).toBe("0");
    expect(nearestFraction(mm(-12.7), 16).text).toBe("−1/2");
  });
  it("is never off by more than half a part", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e6, max: 1e6 }),
        fc.constantFrom(16 as const, 32 as const, 64 as const),
        (value, denominator) => {
          expect(Math.abs(nearestFraction(um(value), denominator).error)).toBeLessThanOrEqual(
            25_400 / denominator / 2 + 1,
          );
        },
      ),
    );
  });
  it("fits a tolerance inclusively, and each side on its own", () => {
    expect(errorFits(um(100), um(100), um(0))).toBe(true);
    expect(errorFits(um(101), um(100), um(0))).toBe(false);
    expect(errorFits(um(-5), null, um(0))).toBe(false);
    expect(errorFits(um(5_000), null, um(0))).toBe(true);
  });
  it("is the coarsest that leaves the hand half of the tolerance", () => {
    expect(workingFraction(mm(48.5), mm(2), mm(2))).toMatchObject({ text: "1 15/16", fits: true });
    expect(workingFraction(mm(48.5), mm(1), mm(1))).toMatchObject({ text: "1 29/32", fits: true });
    expect(workingFraction(mm(9.7), mm(0.1), mm(0.1))).toMatchObject({ text: "3/8", fits: false });
  });
});

describe("two units printed for one length", () => {
  // Common practice, no source: check value 6 of the trade.
  it("955 mm beside 37.5 in disagree by 2.5 mm", () => {
    expect(dualUnitCheck("955 mm", "37.5 in")).toMatchObject({ agree: false, differBy: 2_500 });
  });
  it("15 mm beside 1/2 in disagree by 2.3 mm", () => {
    expect(dualUnitCheck("15", "1/2")).toMatchObject({ agree: false, differBy: 2_300 });
  });
  it("agree where rounding alone explains the difference", () => {
    expect(dualUnitCheck("57.2 mm", "2-1/4 in").agree).toBe(true);
    expect(dualUnitCheck("254 mm", "10 in")).toMatchObject({ agree: true, differBy: 0 });
    expect(dualUnitCheck("70", "2 3/4").agree).toBe(true);
  });
});

describe("formatting", () => {
  it("reads back what it writes in every metric unit", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5_000_000 }),
        fc.constantFrom("µm" as const, "mm" as const, "cm" as const, "m" as const),
        (value, unit) => {
          expect(read(formatLength(um(value), unit))).toBe(value);
        },
      ),
    );
  });
  it("keeps at least one decimal and no idle zeros", () => {
    expect([64_000, 48_500, 9_525, -27_000].map((value) => formatMm(value))).toEqual([
      "64.0",
      "48.5",
      "9.525",
      "−27.0",
    ]);
    expect(formatMm(64_000, 0)).toBe("64");
    expect(
      (["µm", "mm", "cm", "m", "in", "ft"] as const).map((unit) => formatLength(um(952_500), unit)),
    ).toEqual(["952500 µm", "952.5 mm", "95.25 cm", "0.9525 m", "37.500 in", "3 ft 1 1/2 in"]);
    expect(formatLength(um(-100_000), "cm")).toBe("−10 cm");
    expect(formatInch(38_100)).toBe("1.500");
  });
});
