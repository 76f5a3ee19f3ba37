import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Length, mm, um } from "../length/length";
import type { Check } from "../runsheet/document";
import { adjust } from "./adjust";
import { belongsTo } from "./belongs";

const expected = new Map([
  ["end", mm(0)],
  ["jacket", mm(34)],
  ["buffer", mm(15)],
]);
const read = (from: string, to: string, mean: number, u = 20) => ({ id: `${from}>${to}`, from, to, mean, u });

describe("where features lie by what was read of them", () => {
  it("a chain of readings is taken as read, to the micrometre", () => {
    const { places, odd } = adjust(expected, [
      read("end", "buffer", 16_230),
      read("buffer", "jacket", 18_911),
    ]);
    expect([...places.values()]).toEqual([0, 16_230 + 18_911, 16_230]);
    expect(odd).toBeNull();
  });
  it("what no reading touches stays where it is expected", () => {
    expect(adjust(expected, [read("end", "buffer", 15_400)]).places.get("jacket")).toBe(34_000);
  });
  it("readings that close a loop share what is left over, by their uncertainty", () => {
    // Misclosure 60 over equal weights: 20 each (textbook levelling loop, from memory).
    const all = [
      read("end", "buffer", 15_000),
      read("buffer", "jacket", 19_000),
      read("end", "jacket", 34_060),
    ];
    const { places, odd } = adjust(expected, all);
    expect([places.get("buffer"), places.get("jacket")]).toEqual([15_020, 34_040]);
    expect(odd).toBeNull();
  });
  it("one loop that does not close cannot tell which reading is wrong: all of it are named, with by how much", () => {
    const all = [
      read("end", "buffer", 15_000),
      read("buffer", "jacket", 19_000),
      read("end", "jacket", 36_000, 200),
    ];
    expect(adjust(expected, all).odd).toMatchObject({ ids: ["end>buffer", "buffer>jacket", "end>jacket"] });
    expect(adjust(expected, all).odd?.by).toBeCloseTo(2_000, 6);
  });
  it("a wrong reading that two loops share is named by itself", () => {
    const all = [
      read("end", "buffer", 17_000),
      read("buffer", "jacket", 19_000),
      read("end", "jacket", 34_000),
      read("mark", "jacket", 24_000),
      read("mark", "buffer", 5_000),
      read("end", "mark", 10_000),
    ];
    expect(adjust(new Map([...expected, ["mark", mm(10)]]), all).odd?.ids).toEqual(["end>buffer"]);
  });
  it("whatever the true places, exact readings of them give them back", () => {
    const names = ["a", "b", "c", "d"];
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -90_000, max: 90_000 }), { minLength: 4, maxLength: 4 }),
        fc.array(fc.tuple(fc.nat(3), fc.nat(3), fc.integer({ min: 1, max: 400 })), {
          minLength: 1,
          maxLength: 8,
        }),
        (at, pairs) => {
          const differences = pairs
            .filter(([i, j]) => i !== j)
            .map(([i, j, u], k) => ({
              id: String(k),
              from: names[i] as string,
              to: names[j] as string,
              mean: (at[j] as number) - (at[i] as number),
              u,
            }));
          const start = new Map(names.map((name, i) => [name, um(i === 0 ? (at[0] as number) : 0)]));
          const { places, odd } = adjust(start, differences);
          expect(odd).toBeNull();
          for (const { from, to, mean } of differences)
            expect((places.get(to) as Length) - (places.get(from) as Length)).toBe(mean);
        },
      ),
    );
  });
});

const check = (id: string, nominal: number, room = 0.5): Check => ({
  id,
  dimension: id,
  leg: "",
  step: "measure",
  name: id,
  from: "a",
  to: "b",
  nominal: mm(nominal),
  min: mm(nominal - room),
  max: mm(nominal + room),
  representative: false,
  ifLong: "",
  ifShort: "",
  fromStart: false,
});
const cleave = check("cleave", 9.5);
const out = check("buffer-out", 27, 1.5);
const reach = check("reach", 36.5, 2);

describe("which length a reading belongs to", () => {
  it.each([
    ["the one it can only be", [cleave, out], 27.4, "buffer-out"],
    ["the one it can only be, though out", [cleave, out], 30.2, "buffer-out"],
    ["the one asked for where it is as near as any", [out, cleave, reach], 28.9, "buffer-out"],
    ["the only one left, however far off", [cleave], 40, "cleave"],
    ["the plainly nearer of two", [cleave, out, reach], 36.1, "reach"],
  ])("%s", (_what, open, value, id) => {
    expect(belongsTo(open, mm(value))).toMatchObject({ kind: "one", check: { id } });
  });
  it("between two it could be, it asks; like none of them it is a slip, told against the one asked for", () => {
    expect(belongsTo([cleave, out, reach], mm(32.5))).toMatchObject({ kind: "ask", checks: [out, reach] });
    expect(belongsTo([cleave, out, reach], mm(90))).toMatchObject({ kind: "one", check: cleave });
  });
});
