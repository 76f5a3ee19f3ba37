import { describe, expect, it } from "vitest";
import { cablesAlike } from "./alike";

const cable = (id: string, through = false) => ({ id, cable: "loose-tube-36", through });
const standing = (standing: "planned" | "bench" | "in" | "out", trouble: string | null = null) => ({
  standing,
  trouble,
});

describe("cables of a closure", () => {
  it("are one batch where they are of one kind, ending and going through apart", () => {
    const cables = [cable("a"), cable("b"), cable("c", true), cable("d", true), cable("e", true)];
    expect(cablesAlike(cables, new Map()).map(({ ids }) => ids)).toEqual([
      ["a", "b"],
      ["c", "d", "e"],
    ]);
  });
  it("that are at the bench, good or cannot be begun are left out; what came out is taken again", () => {
    const cables = ["a", "b", "c", "d", "e"].map((id) => cable(id));
    const standings = new Map([
      ["a", standing("bench")],
      ["b", standing("in")],
      ["c", standing("out")],
      ["d", standing("planned", "no port")],
    ]);
    expect(cablesAlike(cables, standings).map(({ ids }) => ids)).toEqual([["c", "e"]]);
  });
  it("of which one is left make no batch", () => {
    expect(cablesAlike([cable("a")], new Map())).toEqual([]);
  });
});
