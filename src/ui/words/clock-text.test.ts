import { describe, expect, it } from "vitest";
import { clockText, spanText } from "./clock-text";

describe("a clock running down", () => {
  it.each([
    [0, "0:00"],
    [0.2, "0:01"],
    [59, "0:59"],
    [60, "1:00"],
    [725, "12:05"],
    [3_720, "1:02:00"],
    [-4, "0:00"],
  ])("%d s is %s", (seconds, shown) => {
    expect(clockText(seconds)).toBe(shown);
  });
});

describe("a stretch of time in words", () => {
  it.each([
    [45, "45 s"],
    [89, "89 s"],
    [90, "2 min"],
    [1_500, "25 min"],
    [3_600, "1 h"],
    [4_440, "1 h 14 min"],
    [7_195, "2 h"],
  ])("%d s is %s", (seconds, shown) => {
    expect(spanText(seconds)).toBe(shown);
  });
});
