import { describe, expect, it } from "vitest";
import { boxText, readBox } from "./taps-in-box";

describe("taps in the box as they are typed", () => {
  it("have a count or none, with either cross, and come back as they were", () => {
    const stock = [
      { tapPct: 5, count: 3 },
      { tapPct: 2.5, count: null },
      { tapPct: 50, count: 0 },
    ];
    expect(readBox("3x5, 2,5 % 0 × 50")).toEqual(stock);
    expect(readBox(boxText(stock))).toEqual(stock);
  });
  it("are refused where a share is no share, or comes twice", () => {
    expect(["", "0", "100", "5 5", "x", "3 × "].map(readBox)).toEqual([null, null, null, null, null, null]);
  });
});
