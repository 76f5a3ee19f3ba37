import { describe, expect, it } from "vitest";
import { cord } from "../runsheet/fixtures/made";
import { depthOver, wallOf } from "./cable";

const layer = (kind: string, diameter: number, wall?: number) => ({
  kind: kind as "jacket",
  name: kind,
  diameter,
  hue: "black" as const,
  ...(wall === undefined ? {} : { wall }),
});
const ribbon = cord({
  construction: "central-tube-ribbon",
  layers: [
    layer("jacket", 13),
    layer("rods", 1.8),
    layer("ripcord", 0.7),
    layer("tape", 8),
    layer("tube", 7, 0.6),
    layer("coating", 0.25),
    layer("glass", 0.125),
  ],
});

describe("a layer's wall", () => {
  it("is half of what it is thicker than the ring inside it; what lies beside is no ring", () => {
    expect(wallOf(cord(), "jacket")).toBe(500);
    expect(wallOf(ribbon, "jacket")).toBe(2500);
    expect(wallOf(ribbon, "ripcord")).toBeNull();
  });
  it("is as stated where what it holds lies loose in it", () => {
    expect(wallOf(ribbon, "tube")).toBe(600);
  });
  it("is not known of the innermost, nor of one that is not there", () => {
    expect([wallOf(cord(), "glass"), wallOf(cord(), "armour")]).toEqual([null, null]);
  });
  it("may be cut less deep where ripcords lie in its inside", () => {
    expect(depthOver(ribbon, "jacket")).toBe(1800);
    expect(depthOver(cord(), "jacket")).toBe(500);
  });
});
