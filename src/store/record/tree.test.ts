import { describe, expect, it } from "vitest";
import { canonical } from "../database/hash";
import { HashTree, isConsistent, rootByInclusion, treeRoot } from "./tree";

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

/** So many leaves, each another. */
const leaves = Array.from({ length: 70 }, (_, i) => `leaf ${i}`);
const tree = new HashTree();
for (const leaf of leaves) tree.add(leaf);
const SIZES = leaves.map((_, i) => i + 1);
const turned = (hex: string): string => `${hex.startsWith("0") ? "1" : "0"}${hex.slice(1)}`;

describe("a hash tree that grows", () => {
  it("has at every size the root of a tree made at once", () => {
    for (const size of SIZES) expect(tree.root(size)).toBe(treeRoot(leaves.slice(0, size)));
  });
  it("proves each leaf in each tree it is in, as long as no more hashes than the tree is high", () => {
    for (const size of SIZES)
      for (let i = 0; i < size; i++) {
        const proof = tree.inclusion(i, size);
        expect(rootByInclusion(leaves[i] ?? "", i, size, proof)).toBe(tree.root(size));
        expect(proof.length).toBeLessThanOrEqual(Math.ceil(Math.log2(size)));
      }
  });
  it("proves no other leaf, no other place, and nothing by a proof that was changed or cut short", () => {
    for (const [i, size] of [
      [0, 1],
      [3, 7],
      [64, 65],
      [20, 70],
    ] as const) {
      const [leaf, root, proof] = [leaves[i] ?? "", tree.root(size), tree.inclusion(i, size)];
      expect(rootByInclusion("another leaf", i, size, proof)).not.toBe(root);
      if (size > 1) expect(rootByInclusion(leaf, (i + 1) % size, size, proof)).not.toBe(root);
      for (const [at, hash] of proof.entries())
        expect(rootByInclusion(leaf, i, size, proof.with(at, turned(hash)))).not.toBe(root);
      expect(rootByInclusion(leaf, i, size, [...proof, root])).not.toBe(root);
      if (proof.length > 0) expect(rootByInclusion(leaf, i, size, proof.slice(1))).not.toBe(root);
    }
  });
  it("proves that it goes on from every smaller one, and from none that was another", () => {
    for (const size of SIZES)
      for (const earlier of SIZES.filter((n) => n <= size)) {
        const [was, is] = [earlier, size].map((n) => ({ size: n, root: tree.root(n) }));
        if (!was || !is) throw new Error("two trees");
        const proof = tree.consistency(earlier, size);
        expect(isConsistent(was, is, proof), `${earlier} ${size}`).toBe(true);
        expect(isConsistent({ ...was, root: turned(was.root) }, is, proof)).toBe(false);
        expect(isConsistent(was, { ...is, root: turned(is.root) }, proof)).toBe(false);
        if (proof.length > 0) expect(isConsistent(was, is, proof.slice(1))).toBe(false);
      }
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
