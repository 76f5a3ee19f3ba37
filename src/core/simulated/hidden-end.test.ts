import { describe, expect, it } from "vitest";
import { endState } from "../end/state";
import { mm } from "../length/length";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { drawsFor, hiddenLength, normalDraw, SIMULATED, shownBy } from "./hidden-end";

const sheet = compile(
  procedureOf(
    [
      ["strip", "end", "buffer", 36, 1, 1],
      ["cleave", "glass", "buffer", 9, 0.5, 0.5],
    ],
    { steps: [{ id: "measure", title: "Measure", kind: "measure", checks: ["cleave"] }] },
  ),
);
const [cleave] = sheet.checks;
if (!cleave) throw new Error("the cleave is read");
const fresh = endState([]);

describe("the simulated calliper's hidden end", () => {
  it("is the same each time it is asked, and another for another end", () => {
    const length = hiddenLength("a", sheet, fresh, cleave);
    expect(hiddenLength("a", sheet, fresh, cleave)).toBe(length);
    expect(hiddenLength("b", sheet, fresh, cleave)).not.toBe(length);
  });
  it("changes where it was made anew", () => {
    const anew = { ...fresh, anew: { all: 0, features: { "/glass": 1 } } };
    expect(hiddenLength("a", sheet, anew, cleave)).not.toBe(hiddenLength("a", sheet, fresh, cleave));
  });
  it("is out now and then, and mostly in: practice needs both", () => {
    const lengths = Array.from({ length: 400 }, (_, i) => hiddenLength(`end ${i}`, sheet, fresh, cleave));
    const out = lengths.filter((length) => length < mm(8.5) || length > mm(9.5)).length;
    expect(out).toBeGreaterThan(40);
    expect(out).toBeLessThan(200);
  });
  it("draws scatter like the standard normal distribution: mean 0, spread 1 (from 4 000 draws)", () => {
    const draw = drawsFor("a test");
    const all = Array.from({ length: 4_000 }, () => normalDraw(draw));
    const mean = all.reduce((sum, value) => sum + value, 0) / all.length;
    const spread = Math.sqrt(all.reduce((sum, value) => sum + (value - mean) ** 2, 0) / all.length);
    expect(mean).toBeCloseTo(0, 1);
    expect(spread).toBeCloseTo(1, 1);
  });
  it("shows whole steps of its resolution, near the length", () => {
    const draw = drawsFor("jaws");
    for (let i = 0; i < 200; i++) {
      const shown = shownBy(SIMULATED, mm(9.503), draw);
      expect(shown % 10).toBe(0);
      expect(Math.abs(shown - 9_503)).toBeLessThan(120);
    }
  });
});
