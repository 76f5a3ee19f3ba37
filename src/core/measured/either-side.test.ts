import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { canBeNegative } from "./either-side";

describe("a length that can read less than nothing", () => {
  it("is one whose limits reach down to nothing: a coating may end inside its tube", () => {
    expect(canBeNegative({ min: mm(0) })).toBe(true);
    expect(canBeNegative({ min: mm(-0.5) })).toBe(true);
  });
  it("is no other: a cleave length, or one without a lower limit", () => {
    expect(canBeNegative({ min: mm(0.001) })).toBe(false);
    expect(canBeNegative({ min: null })).toBe(false);
  });
});
