import { describe, expect, it } from "vitest";
import { cord } from "@/core/runsheet/fixtures/made";
import { appliesTo, free, idOf } from "./new-document";

describe("a sheet of one's own", () => {
  it("is filed under its name, in letters every file and address takes", () => {
    expect(idOf("  Moor pad 4, Ø 3.0! ")).toBe("moor-pad-4-3-0");
  });
  it("takes no id that is taken, and has one where its name has no such letters", () => {
    expect(free("hut", ["hut", "hut-2"])).toBe("hut-3");
    expect(free(idOf("Мачта"), [])).toBe("own-sheet");
  });
  it("goes on the construction it was written for, and jackets as thick as that cable's", () => {
    const thick = cord({ layers: [{ kind: "jacket", name: "jacket", diameter: 3.1, hue: "yellow" }] });
    expect(appliesTo(thick)).toMatchObject({
      constructions: ["simplex-cord"],
      jacket: { min: 2.9, max: 3.3 },
    });
  });
});
