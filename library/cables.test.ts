import { describe, expect, it } from "vitest";
import { type Cable, diameterOf, elementsOf, wallOf } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";

/**
 * Least diameter of a circle that holds so many like circles, by their diameter (packing of equal circles in a circle,
 * Kravitz 1967 and later; from memory).
 */
const PACKED: Readonly<Record<number, number>> = {
  1: 1,
  2: 2,
  3: 2.1547,
  4: 2.4142,
  5: 2.7013,
  6: 3,
  7: 3,
  8: 3.3048,
  12: 4.0296,
};
const packed = (count: number): number => PACKED[count] ?? Math.sqrt(count / 0.75);
const inside = (cable: Cable, kind: Cable["layers"][number]["kind"]): number =>
  (diameterOf(cable, kind) ?? 0) - 2 * (wallOf(cable, kind) ?? 0);

const { cables } = shippedLibrary();
describe.each(cables.map((cable) => [cable.id, cable] as const))("%s adds up", (_, cable) => {
  const has = (kind: Cable["layers"][number]["kind"]) => diameterOf(cable, kind) !== null;
  it("every ring leaves its wall, and what it holds has room in it", () => {
    for (const { kind, wall, diameter } of cable.layers) {
      const own = wallOf(cable, kind);
      if (own !== null && kind !== "glass")
        expect([kind, own > 0 && 2 * own < diameter]).toEqual([kind, true]);
      if (wall !== undefined && has("coating") && kind === "tube") {
        const count = cable.perUnit ?? cable.fibreCount;
        const needed = has("ribbon") ? 0 : packed(Math.min(count, 12)) * (diameterOf(cable, "coating") ?? 0);
        expect(inside(cable, kind)).toBeGreaterThanOrEqual(needed);
      }
    }
  });
  it("the lay runs on the circle through the tubes' centres, not on the core's outside", () => {
    const { lay } = cable;
    const { kind, count } = elementsOf(cable);
    if (!lay || kind !== "tube" || count < 3) return;
    // Circles touching round a member: d / sin(π/n) (plane trigonometry).
    const pitchCircle = (diameterOf(cable, "tube") ?? 0) / Math.sin(Math.PI / count);
    expect(Math.abs(lay.diameter - pitchCircle)).toBeLessThanOrEqual(50);
  });
  it("stranded tubes close round the central member, and the core fits under what is laid over it", () => {
    if (!has("tube") || !has("tape") || has("ribbon")) return;
    const tubes = cable.fibreCount / (cable.perUnit ?? cable.fibreCount);
    const [tube, member, tape] = (["tube", "rods", "tape"] as const).map(
      (kind) => diameterOf(cable, kind) ?? 0,
    ) as [number, number, number];
    // So many tubes in a ring leave a hole between them of this size: no smaller member holds them apart.
    const hole = tube / Math.sin(Math.PI / tubes) - tube;
    expect(member).toBeGreaterThanOrEqual(hole - 1);
    expect(member - hole).toBeLessThan(400);
    expect(tape).toBeGreaterThanOrEqual(member + 2 * tube);
  });
  it("buffers and sub-units fit inside their jacket or sheath", () => {
    if (has("sheath")) {
      const unit = diameterOf(cable, "jacket") ?? 0;
      expect(inside(cable, "sheath")).toBeGreaterThanOrEqual(packed(cable.fibreCount) * unit);
    } else if (has("yarn") && has("buffer") && has("jacket") && cable.legs.length === 1) {
      const buffer = diameterOf(cable, "buffer") ?? 0;
      expect(diameterOf(cable, "yarn")).toBeGreaterThanOrEqual(packed(cable.fibreCount) * buffer);
    }
  });
  it("ribbons lie flat: as wide as their fibres, their stack inside the tube", () => {
    if (!has("ribbon")) return;
    const [width, coating] = [diameterOf(cable, "ribbon") ?? 0, diameterOf(cable, "coating") ?? 0];
    expect(width).toBeGreaterThanOrEqual(12 * coating);
    expect(width).toBeLessThan(13 * coating);
    if (!cable.layers.some(({ kind }) => kind === "tube")) return;
    const stack = (cable.fibreCount / 12) * (coating + 60);
    expect(Math.hypot(width, stack)).toBeLessThan(inside(cable, "tube"));
  });
});
