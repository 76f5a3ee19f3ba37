import { describe, expect, it } from "vitest";
import { readFigure } from "./read-figure";

describe("a figure of a feeder", () => {
  it("is read with either decimal sign and either minus, limits in; anything else is none", () => {
    expect(["3,5", "−24", " 60 ", "61", "", "x"].map((text) => readFigure(text, -60, 60))).toEqual([
      3.5,
      -24,
      60,
      null,
      null,
      null,
    ]);
  });
});
