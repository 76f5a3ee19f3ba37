import { describe, expect, it } from "vitest";
import { fitWords } from "./aim-words";

const index = (value: number) => ({ value, low: value - 0.2, high: value + 0.2 });

describe("how a person's ends fill their limits", () => {
  it("says first what it means, then the figure and what is sure of it", () => {
    expect(fitWords(index(1.5), "aim")).toBe(
      "fits with room to spare (1.50 times; 95 % interval 1.30 to 1.70)",
    );
  });
  it("says wider than the limits of a spread, and that some ends will be out of an aim", () => {
    expect(fitWords(index(0.9), "spread")).toMatch(/^wider than the limits/);
    expect(fitWords(index(0.9), "aim")).toMatch(/^some ends will be out/);
  });
  // Common practice, no source: 1.33 is called room to spare.
  it("just fits from 1 to 1.33", () => {
    expect(fitWords(index(1), "aim")).toMatch(/^just fits/);
    expect(fitWords(index(1.33), "aim")).toMatch(/^fits with room/);
  });
});
