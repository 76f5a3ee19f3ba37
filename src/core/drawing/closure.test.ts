import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { closureWork } from "../closure/closure-work";
import type { ClosureAtWork, WorkedCable } from "../closure/work-items";
import { mustHoldAt } from "../problem/held";
import { zSplicePlan } from "../splice/splice-plan";
import { wholeClosure } from "./closure";

const { entries, cables } = shippedLibrary();
const SPLICES = Array.from({ length: 14 }, (_, i) => ({
  id: `5b1d7c1e-0000-4000-8000-0000000000${10 + i}`,
  a: { cable: "c1", towards: "A", fibre: i + 1 },
  b: { cable: "c2", fibre: i + 1 },
  slot: i < 12 ? `1.${i + 1}` : `2.${i - 11}`,
}));

const closures = entries.map((entry): readonly [string, ClosureAtWork] => {
  const of = cables.filter(
    ({ construction, fibreCount }) => entry.takes.includes(construction) && fibreCount > 14,
  );
  const worked = entry.ports.slice(0, 4).map(({ id }, i): WorkedCable => {
    const cable = mustHoldAt(of, i % of.length);
    return {
      ...{ id: `c${i + 1}`, number: i + 1, name: cable.name, cable, core: "9/125", through: i === 0 },
      ...{ parted: null, prepared: i < 2, ports: [id], tube: i === 0 ? 1_604_105 : null },
    };
  });
  return [
    entry.name,
    { entry, cables: worked, plan: zSplicePlan.parse({ splices: SPLICES }), light: null, plugs: true },
  ];
});

describe("a closure as one drawing", () => {
  it.each(closures)("%s: has every part within it, to one scale, no cable over another", (_, at) => {
    const { width, height, face, plate, clampedTo, openedTo, cables, storage, trays } = wholeClosure(
      at,
      closureWork(at, []),
    );
    const order = [face.x + face.width / 2, plate.left, plate.right, clampedTo, openedTo];
    expect(order).toEqual([...order].sort((a, b) => a - b));
    if (!storage || !trays) throw new Error("a cable goes through, and there are trays");
    const end = storage.radius + storage.straight / 2;
    expect(storage.x - end).toBeGreaterThan(openedTo);
    expect(storage.x + end).toBeLessThan(trays.left);
    expect(trays.left + trays.width).toBeLessThan(width);
    for (const tall of [face.height, 2 * storage.radius, trays.height]) expect(tall).toBeLessThan(height);
    cables.forEach(({ y, diameter }, i) => {
      const above = cables[i - 1];
      expect(y - diameter / 2).toBeGreaterThan(above ? above.y + above.diameter / 2 : 0);
      expect(y + diameter / 2).toBeLessThan(height);
      expect(diameter).toBe(at.cables[i]?.cable.layers[0]?.diameter);
    });
    expect([trays.width, trays.height]).toEqual([at.entry.trays?.width, at.entry.trays?.height]);
    expect(storage.radius).toBeGreaterThanOrEqual(at.entry.radius - 1);
  });
  it("says which port each cable stands in, how many fibres stay whole, what each tray holds and what is open", () => {
    const [, at] = mustHoldAt(closures, 0);
    const drawn = wholeClosure(at, closureWork(at, []));
    expect(drawn.face.ports.flatMap(({ cable }) => cable ?? [])).toEqual(["c1", "c2", "c3", "c4"]);
    expect(drawn.storage).toMatchObject({ turns: 2, whole: (at.cables[0]?.cable.fibreCount ?? 0) - 14 });
    expect(drawn.trays?.trays).toEqual([
      { tray: 1, count: 12, done: 0 },
      { tray: 2, count: 2, done: 0 },
    ]);
    expect(drawn.cables.map(({ stage }) => stage)).toEqual(["in-place", "in-place", "cables", "cables"]);
    const { storage } = wholeClosure({ ...at, cables: at.cables.slice(1) }, closureWork(at, []));
    expect(storage).toBeNull();
  });
});
