import { describe, expect, it } from "vitest";
import { cord } from "@/core/runsheet/fixtures/made";
import { faceOf } from "./face";

const layer = (kind: "sheath" | "tube" | "rods" | "coating" | "jacket", diameter: number) =>
  ({ kind, name: kind, diameter, hue: "black" }) as const;
const tubes = (fibreCount: number, perUnit: number) =>
  faceOf(
    cord({
      construction: "stranded-loose-tube",
      fibreCount,
      perUnit,
      layers: [layer("sheath", 11), layer("rods", 2), layer("tube", 2.4), layer("coating", 0.25)],
    }),
  );

describe("a cable at its cut face", () => {
  it("has as many tubes side by side as its fibres fill, at most a dozen drawn, and its members apart", () => {
    const face = tubes(48, 12);
    expect([face.count, face.rings.map(({ kind }) => kind)]).toEqual([4, ["sheath"]]);
    expect(face.unit.map(({ kind }) => kind)).toEqual(["tube", "coating"]);
    expect(face.members?.kind).toBe("rods");
    expect(tubes(288, 12).count).toBe(12);
  });
  it("of one unit is rings around it", () => {
    const face = tubes(12, 12);
    expect([face.count, face.unit]).toEqual([1, []]);
    expect(face.rings.map(({ kind }) => kind)).toEqual(["sheath", "tube", "coating"]);
  });
  it("of several legs is one of them", () => {
    expect(faceOf(cord({ legs: ["A", "B"] })).count).toBe(1);
  });
});
