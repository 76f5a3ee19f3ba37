import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { cord } from "../runsheet/fixtures/made";
import { holds } from "./condition";

const picked = { core: "9/125", choices: { light: "with" } };
const jacket = (min: number, max: number) => ({
  layer: { kind: "jacket" as const, diameter: { min: mm(min), max: mm(max) } },
});

describe("when a part, dimension or step is there", () => {
  it.each([
    ["no condition", undefined, true],
    ["a diameter on the limit", jacket(3, 3.1), true],
    ["another diameter", jacket(1.9, 2.4), false],
    [
      "a layer the cable has not",
      { layer: { kind: "armour" as const, diameter: { min: mm(0.1), max: mm(50) } } },
      false,
    ],
    ["the option picked", { choice: { light: ["with"] } }, true],
    ["an option not picked", { choice: { light: ["without"] } }, false],
    ["a choice nobody made", { choice: { proof: ["on"] } }, false],
    ["the core in hand", { core: ["9/125" as const] }, true],
    ["another core", { core: ["50/125" as const] }, false],
    ["a buffer that grips", { grip: ["tight" as const] }, true],
    ["a buffer that slides", { grip: ["semi-tight" as const] }, false],
    ["without a layer it has", { without: ["yarn" as const] }, false],
    ["without a layer it has not", { without: ["armour" as const] }, true],
    ["one clause of two", { ...jacket(3, 3.1), choice: { light: ["without"] } }, false],
  ])("%s", (_, condition, expected) => {
    expect(holds(condition, cord(), picked)).toBe(expected);
  });
});
