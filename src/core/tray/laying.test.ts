import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { um } from "../length/length";
import { layingOrder, loopShape, slotShapes } from "./laying";
import { laidIn, type TraySet } from "./tray-set";

const sets = shippedLibrary().entries.flatMap(({ id, trays }) => (trays ? [[id, trays] as const] : []));

/** Whether any of many points along a loop lies on a slot, found without the rule under test. */
function runsOver(trays: TraySet, perimeter: number, id: string): boolean {
  const { radius, straight } = loopShape(trays, perimeter);
  const slot = slotShapes(trays).find((shape) => shape.id === id);
  if (!slot) return false;
  const points = Array.from({ length: 1_200 }, (_, i): [number, number] => {
    const along = (i / 1_200) * perimeter;
    const bend = Math.PI * radius;
    if (along < straight) return [along - straight / 2, -radius];
    if (along < straight + bend) {
      const angle = (along - straight) / radius;
      return [straight / 2 + radius * Math.sin(angle), -radius * Math.cos(angle)];
    }
    if (along < 2 * straight + bend) return [straight / 2 - (along - straight - bend), radius];
    const angle = (along - 2 * straight - bend) / radius;
    return [-straight / 2 - radius * Math.sin(angle), radius * Math.cos(angle)];
  });
  return points.some(
    ([x, y]) =>
      x > slot.left && x < slot.left + slot.width && y > slot.top + 20 && y < slot.top + slot.height - 20,
  );
}

const length = fc.integer({ min: 950_000, max: 1_500_000 }).map(um);

describe("a loop drawn on a tray", () => {
  it.each(sets)(
    "%s: is as long round as the fibre that lies in it, bends no tighter than allowed, and stays on the tray",
    (_, trays) => {
      const { min, max } = trays.perimeter;
      for (const perimeter of [min, (min + max) / 2, max]) {
        const { radius, straight } = loopShape(trays, perimeter);
        expect(2 * straight + 2 * Math.PI * radius).toBeCloseTo(perimeter, 3);
        expect(radius).toBeGreaterThanOrEqual(trays.radius - 1e-6);
        expect(2 * radius).toBeLessThan(trays.height);
        expect(straight + 2 * radius).toBeLessThan(trays.width);
      }
    },
  );
});

describe("the order of laying a tray", () => {
  it.each(sets)(
    "%s: lays each sleeve and its loops once, and no loop over a slot that is still to be filled",
    (_, trays) => {
      fc.assert(
        fc.property(
          fc.shuffledSubarray([...trays.slots], { minLength: 1 }),
          fc.array(fc.tuple(length, length), { minLength: 48, maxLength: 48 }),
          (slots, lengths) => {
            const splices = slots.map(({ id }, i) => {
              const [a, b] = lengths[i] ?? [um(0), um(0)];
              return { id: `splice ${id}`, slot: id, laid: laidIn(trays, id, { a, b }) };
            });
            const steps = layingOrder(trays, splices);
            for (const lays of ["sleeve", "loops"])
              expect(
                steps
                  .filter((step) => step.lays === lays)
                  .map(({ splice }) => splice)
                  .sort(),
              ).toEqual(splices.map(({ id }) => id).sort());
            const pressed = new Set<string>();
            for (const { splice, lays } of steps) {
              if (lays === "sleeve") pressed.add(splice);
              const own = splices.find(({ id }) => id === splice);
              if (lays === "sleeve" || !own) continue;
              expect(pressed.has(splice)).toBe(true);
              for (const perimeter of [own.laid?.a.perimeter, own.laid?.b.perimeter])
                for (const other of splices)
                  if (perimeter && !pressed.has(other.id))
                    expect(runsOver(trays, perimeter, other.slot)).toBe(false);
            }
          },
        ),
        { numRuns: 20 },
      );
    },
  );
  it("presses in first whatever a splice's own loops would lie over", () => {
    const trays = sets.find(([id]) => id === "entry-dome-round")?.[1];
    if (!trays) throw new Error("the round dome has trays");
    const side = { trim: um(0), path: "with", turns: 2, perimeter: trays.perimeter.min, tries: 9 };
    const splices = trays.slots.map(({ id }) => ({ id, slot: id, laid: { a: side, b: side, tries: 9 } }));
    const covered = trays.slots.map(({ id }) => id).filter((id) => runsOver(trays, trays.perimeter.min, id));
    expect(covered.length).toBeGreaterThan(1);
    const steps = layingOrder(trays, splices).map(({ splice, lays }) => `${splice} ${lays}`);
    const firstLoops = steps.findIndex((step) => step.endsWith("loops"));
    expect(steps.slice(0, firstLoops)).toEqual(
      expect.arrayContaining([...covered, splices[0]?.id].map((id) => `${id} sleeve`)),
    );
  });
  it("is slot by slot where no loop comes near a slot", () => {
    const [, trays] = sets[0] ?? [];
    if (!trays) throw new Error("an entry with trays is shipped");
    const inner = { ...trays, slots: trays.slots.slice(0, 4) };
    const splices = ["3", "1", "2"].map((slot) => ({
      id: slot,
      slot,
      laid: laidIn(trays, slot, { a: um(1_300_000), b: um(1_300_000) }),
    }));
    expect(layingOrder(inner, splices).map(({ splice, lays }) => `${splice} ${lays}`)).toEqual(
      ["1", "2", "3"].flatMap((id) => [`${id} sleeve`, `${id} loops`]),
    );
  });
});
