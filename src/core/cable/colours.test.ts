import { describe, expect, it } from "vitest";
import { FIBRE_COLOURS, fibreColour } from "./colours";

describe("the colour of a fibre", () => {
  // TIA-598, from memory.
  it("follows the twelve in their order", () => {
    expect(FIBRE_COLOURS.map(({ code }) => code).join(" ")).toBe("BL OR GR BR SL WH RD BK YL VI RS AQ");
  });
  it("starts again with the thirteenth", () => {
    expect([1, 12, 13, 24, 26].map((n) => fibreColour(n).code)).toEqual(["BL", "AQ", "BL", "AQ", "OR"]);
  });
});
