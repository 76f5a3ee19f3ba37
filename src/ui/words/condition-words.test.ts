import { describe, expect, it } from "vitest";
import { conditionWords } from "./condition-words";

const choices = [{ id: "interface", name: "Interface", options: [{ id: "lc", name: "LC" }], default: "lc" }];

describe("when something holds, in words", () => {
  it("says layer, choice by its names, core, grip and what is missing", () => {
    const condition = {
      layer: { kind: "jacket" as const, diameter: { min: 1.9, max: 2.1 } },
      choice: { interface: ["lc"] },
      core: ["9/125" as const],
      grip: ["tight" as const],
      without: ["armour" as const],
    };
    expect(conditionWords(condition, { choices }, String)).toBe(
      "jacket 1.9 to 2.1; interface LC; 9/125; tight buffer; without armour",
    );
  });
  it("says a choice that is not there by its id", () => {
    expect(conditionWords({ choice: { light: ["with"] } }, { choices }, String)).toBe("light with");
  });
});
