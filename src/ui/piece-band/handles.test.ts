import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { draggedTo, type Need, pieceNeeds, steppedBy, um, withDragged, zCable, zPiecePlan } from "@/core";
import duplex from "../../../library/cables/duplex-3.0.json";
import { type Handle, handleOf } from "./handles";

const side = {
  place: "",
  procedure: null,
  ends: 0,
  entry: 0,
  squaring: 0,
  grip: 0,
  retries: 0,
};
const plan = zPiecePlan.parse({
  name: "Pad 4 cord",
  cable: "duplex-3.0",
  core: "9/125",
  sides: { A: side, B: side },
  route: [{ kind: "tray", name: "ladder", length: 212_040, allowancePct: 2 }],
  loops: [{ name: "coil", after: 1, turns: 3, perimeter: 1_000 }],
  yield: { p: 0.9 },
  risk: 0.05,
  roundUpTo: 100,
});
const parts = {
  cable: zCable.parse(duplex),
  reach: {},
  sheets: { A: null, B: null },
  opened: { A: null, B: null },
};
const { items, cut } = pieceNeeds(plan, parts);
const handle = (of: "route" | "loop"): Handle => {
  const handle = items.map((need) => handleOf(need, plan)).find((handle) => handle?.part.of === of);
  if (!handle) throw new Error(`no handle for a ${of}`);
  return handle;
};

describe("what is dragged on the whole-piece band", () => {
  it("has no handle at a side: that is drawn from its procedure", () => {
    const [a] = items as [Need];
    expect(handleOf(a, plan)).toBeNull();
  });
  it("stays to the micrometre where it is let go where it was taken hold of", () => {
    expect(draggedTo(handle("route"), 0)).toBe(212_040_000);
    expect(draggedTo(handle("loop"), 0)).toBe(3);
  });
  it("goes up to the right and down to the left, by whole turns and whole steps, and never below nothing", () => {
    expect(draggedTo(handle("loop"), 48)).toBe(5);
    expect(draggedTo(handle("loop"), -900)).toBe(0);
    expect(steppedBy(handle("loop"), -1)).toBe(2);
    expect(steppedBy(handle("route"), 1)).toBe(213_040_000);
    const px = fc.integer({ min: -2_000, max: 2_000 });
    fc.assert(
      fc.property(px, px, fc.constantFrom("route", "loop"), (a, b, of) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)].map((at) => draggedTo(handle(of), at));
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeGreaterThanOrEqual(low ?? 0);
        expect(high).toBeLessThanOrEqual(handle(of).most);
      }),
    );
  });
  it("changes the cut as it changes the plan: one turn more is one turn more of cable", () => {
    const more = withDragged(plan, handle("loop").part, 4);
    expect(pieceNeeds(more, parts).cut).toBe(um(cut + 1_000_000));
    const shorter = withDragged(plan, handle("route").part, 112_040_000);
    expect(pieceNeeds(shorter, parts).exact).toBe(pieceNeeds(plan, parts).exact - 102_000_000);
    expect(shorter.loops).toEqual(plan.loops);
  });
});
