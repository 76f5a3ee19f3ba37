import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { fitsInOtherUnit } from "./other-unit";

const limits = { min: um(50_800), max: um(51_000) };

describe("a reading far out", () => {
  it("is most likely of the other unit where it would be in as that, limits included", () => {
    expect(fitsInOtherUnit(limits, um(2_000), "mm")).toBe(true);
    expect(fitsInOtherUnit(limits, um(50_800 * 25.4), "in")).toBe(true);
  });
  it("is simply out where it would be out as that too", () => {
    expect(fitsInOtherUnit(limits, um(1_999), "mm")).toBe(false);
    expect(fitsInOtherUnit(limits, um(2_008), "mm")).toBe(false);
  });
  it("is judged by the one limit a length has", () => {
    expect(fitsInOtherUnit({ min: um(50_800), max: null }, um(9_000), "mm")).toBe(true);
    expect(fitsInOtherUnit({ min: null, max: um(51_000) }, um(9_000), "mm")).toBe(false);
  });
});
