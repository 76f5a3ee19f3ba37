import { describe, expect, it } from "vitest";
import { foundIn } from "./found";

const all = [
  { name: "Bench cleaver", about: "cuts glass square", words: "" },
  { name: "Stub, wedge release", about: "held by a wedge", words: "LC SC" },
  { name: "Wedge key", about: "opens a stub", words: "" },
];
const search = (wanted: string) => foundIn(all, wanted, ({ words }) => words).map(({ name }) => name);

describe("what a search of the shelf finds", () => {
  it("is everything while nothing is typed", () => {
    expect(search(" ")).toHaveLength(3);
  });
  it("is what has the word in its name before what has it in its description", () => {
    expect(search("stub")).toEqual(["Stub, wedge release", "Wedge key"]);
  });
  it("is what can be picked of it too, and nothing for what is nowhere", () => {
    expect(search("lc")[0]).toBe("Stub, wedge release");
    expect(search("calliper")).toEqual([]);
  });
});
