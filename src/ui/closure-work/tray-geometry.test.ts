import { describe, expect, it } from "vitest";
import { shippedLibrary } from "@/store/shelf/shipped";
import { loopShape } from "./tray-geometry";

const sets = shippedLibrary().entries.flatMap(({ id, trays }) => (trays ? [[id, trays] as const] : []));

describe("a loop drawn on a tray", () => {
  it.each(sets)(
    "%s: is as long round as the fibre that lies in it, bends no tighter than allowed, and stays on the tray",
    (_, trays) => {
      for (const perimeter of [
        trays.perimeter.min,
        (trays.perimeter.min + trays.perimeter.max) / 2,
        trays.perimeter.max,
      ]) {
        const { radius, straight } = loopShape(trays, perimeter);
        expect(2 * straight + 2 * Math.PI * radius).toBeCloseTo(perimeter / 1_000, 6);
        expect(radius).toBeGreaterThanOrEqual(trays.radius / 1_000 - 1e-9);
        expect(2 * radius).toBeLessThan(trays.height / 1_000);
        expect(straight + 2 * radius).toBeLessThan(trays.width / 1_000);
      }
    },
  );
});
