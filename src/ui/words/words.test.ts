import { describe, expect, it } from "vitest";
import { judge, mm, um } from "@/core";
import { lengthText, limitsText, showLength, toleranceText } from "./length-text";
import { verdictWords } from "./verdict-words";

describe("a length as it is shown", () => {
  it("has millimetres large and the working fraction beside, with what rounding adds", () => {
    expect(showLength(48_500, "both", { plus: mm(1), minus: mm(1) })).toEqual({
      main: "48.5",
      unit: "mm",
      beside: "1 29/32 in",
      rounding: "-0.1 mm".replace("-", "−"),
    });
    expect(showLength(48_500, "mm")).toEqual({ main: "48.5", unit: "mm", beside: null, rounding: null });
    expect(showLength(9_525, "in")).toEqual({ main: "3/8", unit: "in", beside: null, rounding: null });
  });
  it("goes to decimals where no fraction is close enough", () => {
    expect(showLength(9_700, "in", { plus: mm(0.1), minus: mm(0.1) }).main).toBe("0.382");
  });
  it("says limits and tolerances in words where a side is open", () => {
    expect(limitsText(um(9_000), null, "mm")).toBe("at least 9.0");
    expect(limitsText(null, um(10_000), "mm")).toBe("at most 10.0");
    expect(toleranceText(mm(1), mm(1), "mm")).toBe("±1.0");
    expect(toleranceText(mm(2), mm(0.5), "mm")).toBe("+2.0 −0.5");
    expect(toleranceText(mm(1), null, "mm")).toBe("+1.0 no lower limit");
    expect(lengthText(64_000, "both")).toBe("64.0 mm (2 17/32 in)");
  });
});

describe("a verdict in words", () => {
  const check = {
    min: mm(9),
    max: mm(10),
    ifLong: "Cleave again, shorter: no cable lost.",
    ifShort: "Strip further, then cleave.",
  };
  const said = (...readings: number[]) =>
    verdictWords(
      check,
      judge({
        limits: check,
        readings: readings.map(mm),
        instrument: { resolution: mm(0.1), repeatability: mm(0.1) },
        rule: { kind: "guarded", risk: 0.05 },
      }),
      "mm",
    );
  it("says what to do when a cleave is 1.2 too long: one cleave and no cable", () => {
    expect(said(11.2)).toMatchObject({
      word: "Too long",
      by: "by 1.2 mm",
      todo: "Cleave again, shorter: no cable lost.",
    });
  });
  it("says which way it is out", () => {
    expect(said(8.2)).toMatchObject({ word: "Too short", todo: "Strip further, then cleave." });
  });
  it("says how far inside it lies and how sure that is", () => {
    expect(said(9.6)).toMatchObject({ word: "In", by: "by 0.4 mm", sure: "over 99 % sure", todo: "" });
  });
  it("asks for as many more readings as would settle it", () => {
    expect(said(9.88)).toMatchObject({
      word: "Measure again",
      todo: "2 more readings like this would settle it.",
    });
  });
});

describe("a length nobody gave a tolerance", () => {
  it("is a fraction while that is close, and decimals where it would mislead", () => {
    expect(lengthText(48_500, "both")).toBe("48.5 mm (1 29/32 in)");
    expect(lengthText(900, "both")).toBe("0.9 mm (0.035 in)");
    expect(lengthText(250, "in")).toBe("0.010 in");
    expect(lengthText(0, "in")).toBe("0 in");
  });
});
