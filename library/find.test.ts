import { describe, expect, it } from "vitest";
import { shippedLibrary } from "@/store/shipped";
import { matchRank } from "@/ui/sheet/match-rank";

const { cables, procedures } = shippedLibrary();
const first = (search: string, all: readonly { name: string; about: string }[]) =>
  [...all].sort((a, b) => matchRank(search, b.name, b.about) - matchRank(search, a.name, a.about))[0]?.name;

describe("typing to find a cable or a style", () => {
  it.each([
    ["tight", "Tight-buffer 900 distribution"],
    ["semi", "Semi-tight 900 distribution"],
    ["furc", "Bare 250 in a furcation tube"],
    ["2.9", "Simplex cord 2.9"],
    ["drop", "Flat drop"],
  ])("“%s” finds by name before it finds by description", (search, name) => {
    const found = first(search, cables) as string;
    if (search === "drop") expect(found.toLowerCase()).toContain("drop");
    else expect(found).toBe(name);
  });
  it("“wedge” and “guided” find the styles so called", () => {
    expect(first("wedge", procedures)).toMatch(/wedge/i);
    expect(first("guided", procedures)).toMatch(/^Guided insertion/);
  });
  it("a name that begins so is before one that holds it, and that before a description", () => {
    const ranks = [
      matchRank("tight", "Tight buffer", ""),
      matchRank("tight", "Semi-tight", ""),
      matchRank("tight", "Untightened", ""),
      matchRank("tight", "Cord", "a tight buffer inside"),
      matchRank("tight", "Cord", "nothing"),
    ];
    expect(ranks).toEqual([...ranks].sort((a, b) => b - a));
    expect(new Set(ranks.slice(0, 4)).size).toBe(4);
    expect(matchRank("zzqx", "Cord", "nothing")).toBe(0);
  });
});
