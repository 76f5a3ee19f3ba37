import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readCount, readMetres, readMetresOrNone, readPerCent, readShare, UNSAID } from "./metres";

describe("a length typed in metres", () => {
  it("is read to the millimetre, with a point or a comma", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 999_999_999 }), (mm) => {
        const text = (mm / 1000).toFixed(3);
        expect(readMetres(text)).toBe(mm * 1000);
        expect(readMetres(text.replace(".", ","))).toBe(mm * 1000);
      }),
    );
  });
  it("may have a unit of its own (an inch is 25.4 mm, NIST SP 811)", () => {
    expect(readMetres("250 mm")).toBe(250_000);
    expect(readMetres("10 ft")).toBe(3_048_000);
  });
  it("is refused where it is negative, finer than a millimetre or no number", () => {
    for (const text of ["-1", "1.2345", "1e3", "long", ""]) expect(readMetres(text)).toBeNull();
  });
  it("that is left empty is not said, which is no length of 0", () => {
    expect(readMetresOrNone("  ")).toBe(UNSAID);
    expect(readMetresOrNone("0")).toBe(0);
  });
});

describe("a share typed as a percentage", () => {
  it("lies from 0 to 100, both included", () => {
    expect(["0", "100", "2.5"].map(readPerCent)).toEqual([0, 100, 2.5]);
    expect(["-0.1", "100.1", "x", " "].map(readPerCent)).toEqual([null, null, null, null]);
    expect(readShare("5")).toBe(0.05);
    expect(readShare("x")).toBeNull();
  });
});

describe("a count that was typed", () => {
  it("is whole and within its limit, which is included", () => {
    expect(readCount("50", 50)).toBe(50);
    expect(readCount("51", 50)).toBeNull();
    expect(readCount("2.0", 50)).toBeNull();
  });
});
