import { describe, expect, it } from "vitest";
import { shippedLibrary } from "@/store/shelf/shipped";
import { entriesFound } from "./entries-found";

const { entries } = shippedLibrary();
const search = (wanted: string) => entriesFound(entries, wanted).map(({ id }) => id);

describe("finding an entry", () => {
  it("with nothing asked shows all of them", () => {
    expect(search(" ")).toHaveLength(entries.length);
  });
  it.each([
    ["pedestal", /pedestal/],
    ["dome gel", /dome-gel/],
    ["wall", /wall/],
  ])("“%s” finds it by its words", (wanted, id) => {
    expect(search(wanted).length).toBeGreaterThan(0);
    for (const each of search(wanted)) expect(each).toMatch(id);
  });
  it("a diameter finds every entry with a port that closes round it, and no other", () => {
    for (const wanted of ["12.5 mm", "12,5", "10.4mm", "3.1"]) {
      const size = Number.parseFloat(wanted.replace(",", ".")) * 1000;
      const fit = entries.filter(({ ports }) =>
        ports.some(({ bushedMin, max }) => size >= bushedMin && size <= max),
      );
      expect(search(wanted)).toEqual(fit.map(({ id }) => id));
    }
    expect(search("90 mm")).toEqual([]);
  });
});
