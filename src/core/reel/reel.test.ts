import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { lengthOfMarks, markCuts } from "./marks";
import { cutFromReels } from "./reels";

const printed = fc.record({
  unit: fc.constantFrom("m" as const, "ft" as const),
  wrap: fc.constantFrom(999, 9_999, 99_999),
  direction: fc.constantFrom("up" as const, "down" as const),
  accuracyPct: fc.constantFrom(0, 0.2, 1),
});

describe("printed marks", () => {
  it("read from a cut's start to its end are the cut's length, around the wrap too", () => {
    fc.assert(
      fc.property(
        printed,
        fc.nat({ max: 999_000 }),
        fc.integer({ min: 1, max: 300_000 }),
        (of, from, cut) => {
          const [marked] = markCuts({ ...of, from: from / 1_000, kerf: um(0), cuts: [um(cut * 1_000)] }).cuts;
          const { length } = lengthOfMarks({ ...of, from: marked?.start ?? 0, to: marked?.end ?? 0 });
          expect(Math.abs(length - cut * 1_000)).toBeLessThan(1_001);
        },
      ),
    );
  });
  it("do not stray over many cuts: a thousand cuts of a third of a metre end where one of all of them does", () => {
    const of = { unit: "ft", wrap: 9_999, direction: "down", from: 0.333, accuracyPct: 0 } as const;
    const many = markCuts({
      ...of,
      kerf: um(2_000),
      cuts: Array.from({ length: 1_001 }, () => um(333_333)),
    }).cuts;
    const whole = markCuts({ ...of, kerf: um(0), cuts: [um(1_000 * 335_333)] }).cuts;
    expect(many.at(-1)?.start).toBe(whole[0]?.end);
  });
  it("a rounded mark after the highest is 0", () => {
    const of = { unit: "m", wrap: 999, direction: "up", from: 999.9, accuracyPct: 0 } as const;
    expect(markCuts({ ...of, kerf: um(0), cuts: [um(99_999)] }).cuts[0]?.end).toBe(0);
  });
  it("are sure a little further on where they may run long", () => {
    const of = { unit: "m", wrap: 9_999, from: 100, accuracyPct: 1 } as const;
    const at = (direction: "up" | "down") =>
      markCuts({ ...of, direction, kerf: um(0), cuts: [um(99_000_000)] }).cuts[0];
    expect(at("up")).toEqual({ start: 100, end: 199, sure: 200 });
    expect(at("down")).toEqual({ start: 100, end: 1, sure: 0 });
  });
  it("from a mark to itself is nothing", () => {
    const of = { unit: "ft", wrap: 9_999, direction: "down", accuracyPct: 1 } as const;
    expect(lengthOfMarks({ ...of, from: 12.25, to: 12.25 })).toEqual({ length: 0, min: 0, max: 0 });
  });
});

const reels = fc.array(
  fc.record({ length: fc.integer({ min: 1, max: 12 }), count: fc.integer({ min: 1, max: 2 }) }),
  {
    minLength: 1,
    maxLength: 2,
  },
);
const cuts = fc.array(
  fc.record({ length: fc.integer({ min: 1, max: 9 }), count: fc.integer({ min: 1, max: 2 }) }),
  {
    minLength: 1,
    maxLength: 3,
  },
);

/** The least opened and then the longest remainder, by trying every way; null where there is none. */
function byTrying(stock: readonly number[], wished: readonly number[]): readonly [number, number] | null {
  let best: readonly [number, number] | null = null;
  const left = [...stock];
  const visit = (at: number): void => {
    const cut = wished[at];
    if (cut === undefined) {
      const opened = stock.map((length, i) => (left[i] === length ? 0 : length));
      const total = opened.reduce((sum, length) => sum + length, 0);
      const longest = Math.max(...left.filter((length, i) => length !== stock[i]));
      if (!best || total < best[0] || (total === best[0] && longest > best[1])) best = [total, longest];
      return;
    }
    for (const [i, length] of left.entries())
      if (length >= cut) {
        left[i] = length - cut;
        visit(at + 1);
        left[i] = length;
      }
  };
  visit(0);
  return best;
}

const each = (list: readonly { readonly length: number; readonly count: number }[]): number[] =>
  list.flatMap(({ length, count }) => Array<number>(count).fill(length));

describe("cuts from reels", () => {
  it("open the least reel length, then leave the longest remainder, as trying every way finds", async () => {
    let possible = 0;
    await fc.assert(
      fc.asyncProperty(reels, cuts, fc.constantFrom(0, 1), async (stock, wished, kerf) => {
        const named = (list: typeof stock, letter: string) =>
          list.map(({ length, count }, i) => ({
            id: `${letter}${i}`,
            length: um(length * 1_000_000),
            count,
          }));
        const answer = await cutFromReels({
          reels: named(stock, "R"),
          cuts: named(wished, "C"),
          kerf: um(kerf * 1_000_000),
        });
        const tried = byTrying(
          each(stock),
          each(wished).map((length) => length + kerf),
        );
        expect(answer.possible).toBe(tried !== null);
        if (!tried) expect(answer.short.length).toBeGreaterThan(0);
        else {
          possible++;
          expect([answer.opened, answer.longest]).toEqual(tried.map((length) => length * 1_000_000));
        }
        for (const { reel, cuts: off, remainder } of answer.reels) {
          const used = off.reduce(
            (sum, { cut, count }) => sum + count * ((wished[Number(cut.slice(1))]?.length ?? 0) + kerf),
            0,
          );
          expect(used * 1_000_000 + remainder).toBe((stock[Number(reel.slice(1))]?.length ?? 0) * 1_000_000);
        }
      }),
      { numRuns: 40 },
    );
    expect(possible).toBeGreaterThan(3);
  });
  it("of none are no reels opened, and a reel exactly used up is enough", async () => {
    const reel = { id: "R", length: um(1_000_000) };
    expect(await cutFromReels({ reels: [reel], cuts: [], kerf: um(0) })).toMatchObject({
      possible: true,
      opened: 0,
    });
    const halves = { id: "C", length: um(499_500), count: 2 };
    expect(await cutFromReels({ reels: [reel], cuts: [halves], kerf: um(500) })).toMatchObject({
      possible: true,
      longest: 0,
    });
    expect(await cutFromReels({ reels: [reel], cuts: [halves], kerf: um(501) })).toMatchObject({
      possible: false,
      short: [{ cut: "C", count: 1 }],
    });
  });
});
