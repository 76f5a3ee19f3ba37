import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { layLoops, type TraySide } from "./loops";
import { giveSlots } from "./trays";

const tenths = (min: number, max: number) =>
  fc.integer({ min: min * 10, max: max * 10 }).map((n) => um(n * 100));

const sides: fc.Arbitrary<TraySide> = fc
  .record({
    paths: fc.array(
      fc.record({
        name: fc.constantFrom("with", "against"),
        fixed: tenths(50, 250),
        halfTurns: fc.constantFrom(0, 1),
      }),
      { minLength: 1, maxLength: 2 },
    ),
    turns: fc.tuple(fc.nat({ max: 3 }), fc.nat({ max: 4 })),
    perimeter: fc.tuple(tenths(180, 260), tenths(0, 120)),
  })
  .map(({ paths, turns, perimeter }) => ({
    paths,
    turns: { min: turns[0], max: turns[0] + turns[1] },
    perimeter: { min: perimeter[0], max: um(perimeter[0] + perimeter[1]) },
  }));

const radius = tenths(15, 42);

describe("loops on a tray", () => {
  it("use the whole length, none tighter than the bend radius or outside its perimeters", () => {
    let laid = 0;
    fc.assert(
      fc.property(tenths(0, 2_500), sides, radius, (length, side, bendRadius) => {
        const { fits, choices } = layLoops({ length, ...side, bendRadius });
        expect(fits).toBe(choices.length > 0);
        for (const { path, turns, perimeter } of choices) {
          laid++;
          const uses = side.paths
            .filter(({ name }) => name === path)
            .map(({ fixed, halfTurns = 0 }) => fixed + (turns + halfTurns / 2) * (perimeter ?? 0));
          expect(Math.min(...uses.map((used) => Math.abs(used - length)))).toBeLessThan(1e-3);
          if (perimeter === null) continue;
          expect(perimeter).toBeGreaterThanOrEqual(2 * Math.PI * bendRadius - 1e-3);
          expect(perimeter).toBeGreaterThanOrEqual(side.perimeter.min - 1e-3);
          expect(perimeter).toBeLessThanOrEqual(side.perimeter.max + 1e-3);
        }
      }),
      { numRuns: 800 },
    );
    expect(laid).toBeGreaterThan(50);
  });

  it("fit once what is asked for is trimmed, or added, and with nothing less", () => {
    let trimmed = 0;
    fc.assert(
      fc.property(tenths(0, 2_500), sides, radius, (length, side, bendRadius) => {
        const fitsAt = (of: number) => layLoops({ length: um(of), ...side, bendRadius }).fits;
        const { fits, shorter, longer } = layLoops({ length, ...side, bendRadius });
        if (fits) return;
        if (shorter !== null) {
          trimmed++;
          // A range of one length only may lie between two micrometres.
          expect(
            fitsAt(length - shorter) ||
              fitsAt(length - shorter + 1) ||
              side.perimeter.min === side.perimeter.max,
          ).toBe(true);
          if (shorter > 1) expect(fitsAt(length - shorter + 2)).toBe(false);
        }
        if (longer !== null && longer > 1) expect(fitsAt(length + longer - 2)).toBe(false);
      }),
    );
    expect(trimmed).toBeGreaterThan(20);
  });

  it("come nearest to the middle of their perimeters first", () => {
    const perimeter = { min: um(200_000), max: um(300_000) };
    const paths = [{ name: "with", fixed: um(0) }];
    const { choices } = layLoops({
      length: um(1_200_000),
      paths,
      turns: { min: 1, max: 9 },
      perimeter,
      bendRadius: um(20_000),
    });
    expect(choices.map(({ turns, perimeter }) => [turns, perimeter])).toEqual([
      [5, 240_000],
      [4, 300_000],
      [6, 200_000],
    ]);
  });

  it("cannot be where the radius leaves no perimeter, and says so", () => {
    const side = {
      paths: [{ name: "with", fixed: um(0) }],
      turns: { min: 1, max: 3 },
      perimeter: { min: um(100_000), max: um(180_000) },
    };
    expect(layLoops({ length: um(300_000), ...side, bendRadius: um(30_000) })).toEqual({
      fits: false,
      choices: [],
      shorter: null,
      longer: null,
      reason: "bend",
    });
  });
});

interface Row {
  readonly places: readonly (number | null)[];
  readonly without: number;
  readonly trim: number;
}

/** Every way to give splices slots, or none. */
function* everyWay(
  costs: readonly (readonly (number | null)[])[],
  taken: readonly (number | null)[] = [],
): Generator<Row> {
  const row = costs[taken.length];
  if (!row) {
    const trim = taken.reduce(
      (sum: number, slot, splice) => sum + (slot === null ? 0 : (costs[splice]?.[slot] ?? 0)),
      0,
    );
    yield { places: taken, without: taken.filter((slot) => slot === null).length, trim };
    return;
  }
  for (const [slot, cost] of row.entries())
    if (cost !== null && !taken.includes(slot)) yield* everyWay(costs, [...taken, slot]);
  yield* everyWay(costs, [...taken, null]);
}

const before = (a: Row, b: Row): boolean => {
  if (a.without !== b.without) return a.without < b.without;
  if (a.trim !== b.trim) return a.trim < b.trim;
  const at = a.places.findIndex((place, i) => place !== b.places[i]);
  return at >= 0 && (a.places[at] ?? 99) < (b.places[at] ?? 99);
};

const slotSides = fc.record({ a: sides, b: sides });
const bothLengths = fc.record({ a: tenths(200, 1_400), b: tenths(200, 1_400) });

describe("slots for splices", () => {
  it("are the best of every way there is, the first of equals", () => {
    let tied = 0;
    fc.assert(
      fc.property(
        fc.array(slotSides, { maxLength: 4 }),
        fc.array(bothLengths, { maxLength: 4 }),
        radius,
        fc.boolean(),
        (slotList, spliceList, bendRadius, alike) => {
          // Like slots make many equal ways.
          const slots = slotList.map((slot, i) => ({
            id: `S${i}`,
            ...(alike ? (slotList[0] ?? slot) : slot),
          }));
          const splices = spliceList.map((splice, i) => ({ id: `F${i}`, ...splice }));
          const trimOf = (length: number, side: TraySide) => {
            const { fits, shorter } = layLoops({ length: um(length), ...side, bendRadius });
            return fits ? 0 : shorter;
          };
          const costs = splices.map((splice) =>
            slots.map((slot) => {
              const [a, b] = [trimOf(splice.a, slot.a), trimOf(splice.b, slot.b)];
              return a === null || b === null ? null : a + b;
            }),
          );
          const ways = [...everyWay(costs)];
          const best = ways.reduce((least, way) => (before(way, least) ? way : least));
          if (ways.filter(({ without, trim }) => without === best.without && trim === best.trim).length > 1)
            tied++;
          const { assignment, unplaced, trim } = giveSlots({ slots, bendRadius, splices });
          expect(assignment.map(({ slot }) => slot)).toEqual(
            best.places.map((place) => (place === null ? null : `S${place}`)),
          );
          expect([unplaced.length, trim]).toEqual([best.without, best.trim]);
        },
      ),
      { numRuns: 300 },
    );
    expect(tied).toBeGreaterThan(10);
  });

  it("are given to as many as a closure holds, each in one slot only", () => {
    const side: TraySide = {
      paths: [{ name: "with", fixed: um(100_000) }],
      turns: { min: 1, max: 3 },
      perimeter: { min: um(230_000), max: um(280_000) },
    };
    const slots = Array.from({ length: 96 }, (_, i) => ({ id: `S${i}`, a: side, b: side }));
    const splices = Array.from({ length: 100 }, (_, i) => ({
      id: `F${i}`,
      a: um(900_000 + i),
      b: um(800_000),
    }));
    const { assignment, unplaced } = giveSlots({ slots, bendRadius: um(30_000), splices });
    expect(new Set(assignment.flatMap(({ slot }) => slot ?? [])).size).toBe(96);
    expect(unplaced).toEqual(["F96", "F97", "F98", "F99"]);
  });
});
