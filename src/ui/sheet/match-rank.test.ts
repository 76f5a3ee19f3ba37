import { describe, expect, it } from "vitest";
import { styleOf } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { cableWords, styleWords } from "./known-words";
import { matchRank } from "./match-rank";
import { optionsNamed } from "./trade-words";

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
    const match = first(search, cables) as string;
    if (search === "drop") expect(match.toLowerCase()).toContain("drop");
    else expect(match).toBe(name);
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

describe("the trade's other words", () => {
  const ranked = <T extends { name: string; about: string }>(
    search: string,
    all: readonly T[],
    words: (item: T) => string,
  ) =>
    [...all]
      .map((item) => ({ one: item, rank: matchRank(search, item.name, item.about, words(item)) }))
      .filter(({ rank }) => rank > 0.4)
      .sort((a, b) => b.rank - a.rank)
      .map(({ one: first }) => first.name);
  const styles = procedures.map(styleOf);
  it.each([
    ["pigtail", /^Fusion splice-on/],
    ["epoxy", /^Adhesive/],
    ["mechanical", /^(Stub|Guided)/],
    ["fan-out", /^(Breakout kit|Fan-out)/],
    ["splice on", /^Fusion splice-on/],
    ["FTTH", /^Drop/],
    ["fast connector", /^(Stub|Guided)/],
    ["field installable", /^(Stub|Guided)/],
    ["tactical", /harness/],
  ])("“%s” finds the style", (search, name) => {
    expect(ranked(search, styles, styleWords)[0]).toMatch(name);
  });
  it.each([
    ["zip cord", /^Duplex cord/],
    ["2mm", /^Simplex cord 2\.0/],
    ["2 mm", /^Simplex cord 2\.0/],
    ["3.0", /cord 3\.0$/],
    ["3 mm", /cord 3\.0$/],
    ["0.9", /900/],
    ["patch cord", /^(Simplex|Duplex) cord/],
    ["armored", /^Armoured/],
    ["144", /12 × 12/],
    ["tactical", /^Harness/],
  ])("“%s” finds the cable", (search, name) => {
    expect(ranked(search, cables, cableWords)[0]).toMatch(name);
  });
  it.each(["SC/APC", "SC APC", "LC/UPC", "lc upc"])(
    "“%s” finds only what has both, and sets both",
    (search) => {
      const match = styles.filter(
        (style) => matchRank(search, style.name, style.about, styleWords(style)) > 0.6,
      );
      expect(match.length).toBeGreaterThan(3);
      const [type, polish] = search.toLowerCase().split(/[ /]/);
      for (const style of match) expect(optionsNamed(search, style)).toEqual({ interface: type, polish });
    },
  );
  it.each(["MPO", "FC", "zzq"])("“%s”, which is not on the shelf, finds nothing", (search) => {
    for (const style of styles)
      expect(matchRank(search, style.name, style.about, styleWords(style)), style.name).toBe(0);
  });
  it("both spellings of the calliper find it", () => {
    for (const search of ["caliper", "calliper"])
      expect(matchRank(search, "Digital calliper", "")).toBeGreaterThan(0.8);
  });
  it("an interface finds every style that has it and no other, and picking one sets it", () => {
    const has = styles.filter(({ choices }) =>
      choices.some(({ options }) => options.some(({ name }) => name === "LC")),
    );
    const matches = ranked("LC", styles, styleWords).slice(0, has.length);
    expect([...matches].sort()).toEqual(has.map(({ name }) => name).sort());
    for (const style of has) expect(optionsNamed("lc", style).interface).toBe("lc");
    const both = styles.find(({ id }) => id === "fusion-splice-on");
    expect(both && optionsNamed("SC APC", both)).toEqual({ interface: "sc", polish: "apc" });
    expect(both && optionsNamed("fusion", both)).toEqual({});
  });
});
