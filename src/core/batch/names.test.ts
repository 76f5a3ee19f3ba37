import { describe, expect, it } from "vitest";
import { nameBy, patternProblem } from "./names";

describe("names of many ends by one pattern", () => {
  it("hold the number, and the colour of that fibre (TIA-598, from memory)", () => {
    expect([0, 1, 12].map((place) => nameBy("fibre {n}, {colour}", place))).toEqual([
      "fibre 1, blue",
      "fibre 2, orange",
      "fibre 13, blue",
    ]);
    expect(nameBy("{code}{n} end A", 2, 25)).toBe("GR27 end A");
  });
  it.each([
    ["end A", 2, /Two ends would have the same name/],
    ["{colour}", 13, /Two ends would have the same name/],
    ["fibre {m}", 2, /“\{m\}” is not known/],
    ["fibre {n", 2, /“\{n” is not known/],
    ["  ", 1, /Enter a name, for example/],
    [`${"x".repeat(119)}{n}`, 10, /at most 120/],
  ])("“%s” for %i ends is refused, and says why", (pattern, count, message) => {
    expect(patternProblem(pattern, count)).toMatch(message);
  });
  it("are taken where each is its own", () => {
    expect(patternProblem("{colour}", 12)).toBeNull();
    expect(patternProblem("pad 7, {n}", 48)).toBeNull();
  });
});
