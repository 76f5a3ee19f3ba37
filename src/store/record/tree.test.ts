import { describe, expect, it } from "vitest";
import { canonical } from "../database/hash";
import { treeRoot } from "./tree";

describe("a hash tree", () => {
  // Leaves and roots of the reference implementation of RFC 6962 (Certificate Transparency), from memory.
  it.each([
    [0, "e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855"],
    [1, "6e340b9cffb37a989ca544e6bb780a2c78901d3fb33738768511a30617afa01d"],
    [2, "fac54203e7cc696cf0dfcb42c92a1d9dbaf70ad9e621f4bd8d98662f00e3c125"],
    [3, "aeb6bcfe274b70a14fb067a5e5578264db0fa9b51af5e0ba159158f329e06e77"],
    [4, "d37ee418976dd95753c1c73862b9398fa2a2cf9b4ff0fdfe8b30cd95209614b7"],
    [5, "4e3bbb1f7b478dcfe71fb631631519a3bca12c9aefca1612bfce4c13a86264d4"],
  ])("over %i leaves has the published root", (count, root) => {
    const leaves = ["", "\u0000", "\u0010", " !", "01", "@ABC"];
    expect(treeRoot(leaves.slice(0, count))).toBe(root);
  });
});

describe("canonical JSON", () => {
  it("orders keys by their code units, writes numbers shortest, and is the same for the same value", () => {
    // RFC 8785, 3.2.2 and 3.2.3.
    expect(
      canonical({
        numbers: [Number("333333333.33333329"), 1e30, 4.5, 2e-3, 1e-27],
        literals: [null, true, false],
      }),
    ).toBe('{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27]}');
    expect(canonical({ "\u20ac": 1, "\r": 2, "1": 3, "\u00f6": 4 })).toBe('{"\\r":2,"1":3,"ö":4,"€":1}');
    expect(canonical({ b: 1, a: 2 })).toBe(canonical({ a: 2, b: 1 }));
  });
});
