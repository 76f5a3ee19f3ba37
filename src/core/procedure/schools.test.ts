import { describe, expect, it } from "vitest";
import { procedureOf } from "../runsheet/fixtures/made";
import { pickedNames } from "./procedure";
import { schoolsFor, schoolsOf } from "./schools";

const choice = (id: string, options: string[], school = true) => ({
  id,
  name: id,
  school,
  options: options.map((option) => ({ id: option, name: option, why: "" })),
  default: options[0] as string,
});
const of = (...choices: ReturnType<typeof choice>[]) =>
  procedureOf([["jacket", "end", "jacket", 30, 0, 0]], { changes: { choices } });

describe("schools of practice", () => {
  const first = of(choice("wipes", ["two", "three"]), choice("interface", ["lc"], false));
  const two = of(choice("wipes", ["two", "several"]));
  it("are gathered once, with every option any procedure offers; a plain choice is none", () => {
    expect(schoolsOf([first, two]).map(({ id, options }) => [id, options.map((o) => o.id)])).toEqual([
      ["wipes", ["two", "three", "several"]],
    ]);
  });
  it("hold for a procedure that offers them, and leave the others at their default", () => {
    expect(schoolsFor(first, { wipes: "three", interface: "lc", cure: "long" })).toEqual({ wipes: "three" });
    expect(schoolsFor(two, { wipes: "three" })).toEqual({});
  });
  it("are named with what they are about where another than the usual is picked; the usual is not repeated", () => {
    expect(pickedNames(first, { wipes: "two", interface: "lc" })).toEqual(["lc"]);
    expect(pickedNames(first, { wipes: "three", interface: "lc" })).toEqual(["wipes: three", "lc"]);
  });
});
