import { describe, expect, it } from "vitest";
import { type Cable, check, zCable } from "@/core";
import ribbon from "../../../library/cables/armoured-ribbon-96.json" with { type: "json" };
import loose from "../../../library/cables/loose-tube-36.json" with { type: "json" };
import { caseWords, conditionsOn, newCase } from "./other-figures-list";

const cables: Cable[] = [check(zCable, loose), check(zCable, ribbon)];

describe("another figure for some cables", () => {
  it("can go by a layer that some cable taken has, and by its being missing only where some have it not", () => {
    const names = conditionsOn(cables).map(({ name }) => name);
    expect(names).toContain("with ribbon");
    expect(names).toContain("without ribbon");
    expect(names).toContain("with jacket");
    expect(names).not.toContain("without jacket");
    expect(new Set(names).size).toBe(names.length);
  });
  it("begins as the length's own, for layers of any size, and is said so", () => {
    const wished = conditionsOn(cables).find(({ id }) => id === "with rods");
    if (!wished) throw new Error("a cable has members");
    const built = newCase({ nominal: 46, plus: 4, minus: null, cases: [] }, wished.when);
    expect(built).toEqual({ when: wished.when, nominal: 46, plus: 4, minus: null });
    expect(caseWords(built)).toBe("with rods");
    const thick = { when: { layer: { kind: "rods" as const, diameter: { min: 5, max: 60 } } } };
    expect(caseWords(thick)).toBe("with rods 5 to 60 mm");
    expect(caseWords({ when: { ...thick.when, without: ["armour"] } })).toBe(
      "with rods 5 to 60 mm; without armour",
    );
  });
});
